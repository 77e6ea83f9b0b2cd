/** Debian's Chromium, and how it is started: with nothing that looks for a network. */
export const CHROMIUM = process.env.FENNOT_CHROMIUM ?? '/usr/bin/chromium';

export const ARGUMENTS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
] as const;
