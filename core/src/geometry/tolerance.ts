/** What is nearer than this is the same place, and a figure within it is met, mm: a thousandth of what a knife can follow. */
export const SAME = 1e-6

/** What rounding leaves of a number near one: shares of a segment, counts, the sine of an angle. */
export const ROUNDING = 1e-9

/** Two lines whose directions span less than this have no crossing worth computing. */
export const PARALLEL = 1e-12
