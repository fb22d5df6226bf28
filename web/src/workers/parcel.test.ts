import { describe, expect, it } from 'vitest'
import { Receiver, Sender } from './parcel.ts'

interface Thing {
  name: string
  lines: { at: number }[]
}
const thing = (name: string, ...at: number[]): Thing => ({ name, lines: at.map((x) => ({ at: x })) })

describe('values one after the other between threads', () => {
  it('arrive as they were sent, and share what has not changed with the one before', () => {
    const [sender, receiver] = [new Sender<Thing>(), new Receiver<Thing>()]
    const there = (value: Thing) => receiver.receive(structuredClone(sender.send(value)))
    const first = there(thing('puff', 1, 2))
    const second = there(thing('puff', 1, 3))
    expect(second).toEqual(thing('puff', 1, 3))
    expect(second.lines[0]).toBe(first.lines[0])
    expect(there(thing('puff', 1, 3))).toBe(second)
    expect(first).toEqual(thing('puff', 1, 2))
  })
  it('need not be sent when the other side has just that, and the next one still fits', () => {
    const [sender, receiver] = [new Sender<Thing>(), new Receiver<Thing>()]
    receiver.receive(sender.send(thing('puff', 1)))
    expect(sender.sendIfOther(thing('puff', 1))).toBeNull()
    const parcel = sender.sendIfOther(thing('rand', 1))
    expect(parcel && receiver.receive(parcel)).toEqual(thing('rand', 1))
  })
  it('are refused when one before did not come', () => {
    const sender = new Sender<Thing>()
    sender.send(thing('puff', 1))
    expect(() => new Receiver<Thing>().receive(sender.send(thing('puff', 2)))).toThrow(/Parcel 1 came, but 0 did not/)
  })
})
