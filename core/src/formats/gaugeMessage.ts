import { MM_PER_INCH } from '../units/length.ts'
import { SaidError } from '../units/saidError.ts'

/** A message of a thickness gauge that cannot be read. */
export class GaugeError extends SaidError {
  override readonly name = 'GaugeError'
}

/** One reading: the gauge counts them, so that none is taken twice. */
export interface GaugeReading {
  number: number
  /** mm. */
  thickness: number
}

const MESSAGE = /^TG1,(\d{1,6}),(\d{1,3}\.\d{1,4}),(mm|in),([0-9A-F]{4})\r?\n?$/
/** A gauge opens no wider, mm. */
const WIDEST = 50

/** Check of a text of plain signs, four hex digits: CRC-16 with the polynomial 0x1021 begun at 0xFFFF (ITU-T V.41's, as sensors send it). */
export function crc16(text: string): string {
  let crc = 0xffff
  for (let i = 0; i < text.length; i++) {
    crc ^= text.charCodeAt(i) << 8
    for (let k = 0; k < 8; k++) crc = ((crc & 0x8000) !== 0 ? (crc << 1) ^ 0x1021 : crc << 1) & 0xffff
  }
  return crc.toString(16).toUpperCase().padStart(4, '0')
}

/** A reading as a gauge sends it: a line with its number, the thickness, its unit and a check. */
export function writeGaugeMessage({ number, thickness }: GaugeReading, unit: 'mm' | 'in' = 'mm'): string {
  const body = `TG1,${number},${(unit === 'in' ? thickness / MM_PER_INCH : thickness).toFixed(unit === 'in' ? 4 : 2)},${unit}`
  return `${body},${crc16(body)}\n`
}

/** Reads one message. Throws GaugeError, with what to do, on half of one, on one that was changed on its way, on anything else. */
export function readGaugeMessage(text: string): GaugeReading {
  const found = MESSAGE.exec(text)
  if (!found) throw new GaugeError('The gauge sent something that cannot be read: press it again.')
  const [, number, value, unit, check] = found as unknown as [string, string, string, string, string]
  if (crc16(text.slice(0, text.lastIndexOf(','))) !== check) {
    throw new GaugeError('The reading was damaged on its way from the gauge: press it again.')
  }
  const thickness = Number(value) * (unit === 'in' ? MM_PER_INCH : 1)
  if (!(thickness > 0 && thickness <= WIDEST)) {
    throw new GaugeError('The gauge reads nothing, or more than it can open: set it to zero, and press it again.')
  }
  return { number: Number(number), thickness: Math.round(thickness * 1000) / 1000 }
}
