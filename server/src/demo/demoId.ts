/** Ids of the demo are fixed, so that a link into it stays good; they are valid version 7 ids of one moment. */
export const demoId = (group: number, n: number) =>
  `01930000-00${group.toString(16).padStart(2, '0')}-7000-8000-${n.toString(16).padStart(12, '0')}`
