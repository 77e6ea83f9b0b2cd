/**
 * A new random id, as the server's tables have them. Made of random bytes by hand (RFC 9562, version 4): the browser's
 * own maker is missing on a page that came over plain http from another machine.
 */
export function uuid(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  const hex = [...bytes].map((byte, i) => {
    const own = i === 6 ? (byte & 0x0f) | 0x40 : i === 8 ? (byte & 0x3f) | 0x80 : byte;
    return own.toString(16).padStart(2, '0');
  });
  return [hex.slice(0, 4), hex.slice(4, 6), hex.slice(6, 8), hex.slice(8, 10), hex.slice(10)]
    .map((part) => part.join(''))
    .join('-');
}
