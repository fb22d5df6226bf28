import type { InjectionKey } from 'vue'

/** Provided in the rooms of a pair: what stands there may change its decisions. Lasts are also measured with no pair open. */
export const IN_PAIR: InjectionKey<true> = Symbol('in the rooms of a pair')
