import { describe, expect, it } from 'vitest'
import { seeded } from '../geometry/random.ts'
import { crc16, GaugeError, readGaugeMessage, writeGaugeMessage } from './gaugeMessage.ts'

describe('a message of the gauge', () => {
  it('has the check of its standard', () => {
    // The value that the standard's own table gives for this text.
    expect(crc16('123456789')).toBe('29B1')
  })
  it('is read as it was sent, in millimetres or inches', () => {
    const random = seeded(5)
    for (let k = 1; k < 200; k++) {
      const reading = { number: k, thickness: Math.round(1 + 4900 * random()) / 100 }
      expect(readGaugeMessage(writeGaugeMessage(reading))).toEqual(reading)
      const inch = readGaugeMessage(writeGaugeMessage(reading, 'in'))
      expect(Math.abs(inch.thickness - reading.thickness)).toBeLessThan(0.002)
    }
    expect(readGaugeMessage('TG1,7,0.0625,in,' + crc16('TG1,7,0.0625,in')).thickness).toBe(1.588)
  })
  it('of which half is missing, or one sign was changed, is never taken for another', () => {
    const whole = writeGaugeMessage({ number: 12, thickness: 1.43 })
    for (let k = 0; k < whole.length - 1; k++) expect(() => readGaugeMessage(whole.slice(0, k))).toThrow(GaugeError)
    for (let k = 0; k < whole.length - 1; k++) {
      for (const sign of '0123456789ABCDEFmin.,T ') {
        if (sign === whole[k]) continue
        expect(() => readGaugeMessage(whole.slice(0, k) + sign + whole.slice(k + 1))).toThrow(GaugeError)
      }
    }
    expect(() => readGaugeMessage(whole + whole)).toThrow('cannot be read: press it again')
  })
  it('that can be no thickness says what to do', () => {
    for (const thickness of [0, 61]) {
      expect(() => readGaugeMessage(writeGaugeMessage({ number: 1, thickness }))).toThrow('set it to zero')
    }
  })
})
