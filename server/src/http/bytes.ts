/** A thread's bytes as what Express sends as they are; nothing is copied. */
export const asBuffer = (bytes: Uint8Array): Buffer => Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
