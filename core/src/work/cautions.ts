/** Cautions shown at a step. They never replace labels, data sheets, local rules or trained help. */
export const cautions = {
  knife: 'Cut away from yourself, with cut-proof support and lap protection; sheath the knife after use.',
  cement:
    'Solvent adhesive: air the room, no flame or spark near it, prefer a low-solvent kind. The label and data sheet come first.',
  dust: 'Sanding and roughing make dust: run the extraction and wear a mask.',
  machine: "Stitching machine or press: use the maker's guards and keep fingers clear.",
  tacks: 'Never hold tacks in the mouth. Count them in, and count them out of the shoe.',
  awl: 'Awl and needles: mind the other hand; park them in cork.',
  heat: "Hot tool: keep the maker's guards on and set it down on its stand.",
  dye: 'Dye and finish: gloves and air; follow the label.',
  hammer: 'Hammering: protect eyes and ears.',
  lift: 'Lift the press and heavy lasts with a straight back, or by two.',
  press: "Press and lasting machine: the maker's guards stay on, both hands clear before it closes.",
  water: 'Lukewarm, never hot: hot water shrinks and hardens leather for good.',
} as const
export type CautionId = keyof typeof cautions
