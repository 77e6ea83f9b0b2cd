import { shownCode } from '@fennot/core';
import { toString as patternOf } from 'qrcode';
import type { Serving } from '../server/src/serve.ts';

type Announced = Pick<Serving, 'url' | 'addresses' | 'trust' | 'fingerprint' | 'claim'>;

/** What is said in the terminal once a server answers: where, for other devices as a pattern, too, and how one comes in. */
export async function announcement(
  { url, addresses, trust, fingerprint, claim }: Announced,
  colours: boolean,
): Promise<string> {
  const [first] = addresses;
  const lines = [`Fennot is open at ${url}`];
  if (first !== undefined) {
    lines.push(
      `and for other devices at ${addresses.join(', ')}`,
      '',
      // Dark on light whatever the terminal's colours are; in a file there are none.
      await patternOf(first, colours ? { type: 'terminal', small: true } : { type: 'utf8' }),
      'Nothing is told there without signing in.',
    );
    if (trust[0] !== undefined)
      lines.push(
        `A device that is to trust this machine is shown how at ${trust[0]}`,
        `Figures of its certificate: ${fingerprint ?? ''}`,
      );
  }
  if (claim !== undefined)
    lines.push('', `Nobody has an account yet. Make the first one with this code: ${shownCode(claim)}`);
  return lines.join('\n');
}

export const announce = async (serving: Announced): Promise<void> =>
  console.log(await announcement(serving, process.stdout.isTTY === true));
