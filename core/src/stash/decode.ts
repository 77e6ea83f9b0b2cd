/** Text of a file, and in which encoding it was. */
export interface Decoded {
  readonly text: string;
  readonly encoding: 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';
}

/**
 * Reads the bytes of a text file: by its byte order mark; without one as UTF-8, and where it is none as what older
 * spreadsheets write in the west.
 */
export function decoded(bytes: Uint8Array): Decoded {
  const as = (encoding: Decoded['encoding']): Decoded => ({
    text: new TextDecoder(encoding).decode(bytes),
    encoding,
  });
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return as('utf-16le');
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return as('utf-16be');
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'utf-8' };
  } catch {
    return as('windows-1252');
  }
}
