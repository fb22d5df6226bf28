/** Where one step of a pair's work stands on its large card. */
export const stepPath = (pair: string, step: string): string =>
  ['/pairs', pair, 'work', encodeURIComponent(step)].join('/')
