import { useLocalStorage } from '@vueuse/core'

/** The bench at which this screen stands, as the makers of the workshop are known by; empty where it is anybody's. */
export const myBench = useLocalStorage('gentle-awl.bench', '')
