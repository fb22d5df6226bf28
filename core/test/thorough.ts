/** Sweeps that try everything on everything, where a run usually tries each on every second: `npm run test:all`. */
export const THOROUGH = import.meta.env.VITE_THOROUGH === '1'
