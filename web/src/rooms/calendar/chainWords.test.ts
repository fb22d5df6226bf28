import type { ChainLink, Held } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { chainSums, heldWords } from './chainWords.ts'

const link = (held: Held, minutes = 30, idle = 0): ChainLink => ({
  pair: 'p',
  step: 's',
  start: 0,
  end: minutes * 60_000,
  held,
  idle,
})
const names = {
  stepName: (pair: string, step: string) => `${pair} ${step}`,
  orderOf: (pair: string) => `order ${pair}`,
  makerName: (id: string) => `bench ${id}`,
}

describe('what decides when a pair is ready', () => {
  it.each([
    [{ by: 'now' }, 'It can begin at once.'],
    [{ by: 'step', step: 'paste', wait: 600 }, 'It waits 10 h after “p paste”.'],
    [{ by: 'step', step: 'cut', wait: 0 }, 'It follows “p cut”.'],
    [{ by: 'maker', maker: 'a', pair: 'q', step: 'sew' }, 'bench a is at “q sew” of order q until then.'],
    [{ by: 'fresh', step: 'pull', max: 60 }, 'No sooner, so that “p pull” follows within 1 h.'],
    [{ by: 'last', last: 'l', pair: 'q' }, 'order q stands on the lasts until then.'],
  ] as const)('is said: %o', (held, words) => {
    expect(heldWords(link(held), names)).toBe(words)
  })
  it('adds up work, waits and closed hours, and names other pairs once', () => {
    const chain = [
      link({ by: 'step', step: 'paste', wait: 600 }, 20, 120),
      link({ by: 'maker', maker: 'a', pair: 'q', step: 'sew' }, 40),
      link({ by: 'maker', maker: 'a', pair: 'q', step: 'cut' }, 10),
      link({ by: 'maker', maker: 'a', pair: 'p', step: 'cut' }, 10),
      link({ by: 'last', last: 'l', pair: 'q' }, 5, 15),
      link({ by: 'fresh', step: 'pull', max: 60 }, 5),
    ]
    expect(chainSums('p', chain)).toEqual({
      work: 90,
      waits: 600,
      idle: 135,
      others: [
        { pair: 'q', by: 'maker' },
        { pair: 'q', by: 'last' },
      ],
    })
  })
})
