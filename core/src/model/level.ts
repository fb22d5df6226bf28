/** How grave a finding is. */
export type Level = 'fine' | 'watch' | 'stop'
