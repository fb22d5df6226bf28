/** How likely, in a word: what the share of a cause among all of them means to whoever has to decide. */
export const shareWord = (share: number): string =>
  share >= 0.5 ? 'most likely' : share >= 0.2 ? 'likely' : share >= 0.08 ? 'possible' : 'hardly'
