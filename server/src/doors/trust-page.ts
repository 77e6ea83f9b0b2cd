interface TrustPage {
  /** Where Fennot is by a closed line. */
  readonly address: string;
  /** Where the certificate of the authority is. */
  readonly root: string;
  readonly fingerprint: string;
}

const STEPS = [
  {
    on: 'iPhone and iPad',
    steps: [
      'Fetch the certificate with Safari, and allow the profile.',
      'Settings, General, VPN & Device Management: choose the profile that begins with Fennot, and install it.',
      'Settings, General, About, Certificate Trust Settings: switch it on.',
    ],
  },
  {
    on: 'Android',
    steps: [
      'Fetch the certificate.',
      'Settings, Security, More security settings, Install a certificate, CA certificate: choose the file. The names differ from phone to phone; search the settings for “certificate”.',
    ],
  },
  {
    on: 'a computer',
    steps: [
      'Fetch the certificate.',
      'In the settings of the browser or the system look for certificates, import it as an authority, and trust it for web sites.',
    ],
  },
] as const;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The page on which a device is shown how to trust this machine. It is all that is told over an open line. */
export function trustPage({ address, root, fingerprint }: TrustPage): string {
  const [own, file] = [escaped(address), escaped(root)];
  const lists = STEPS.map(
    ({ on, steps }) =>
      `<details><summary>On ${on}</summary><ol>${steps.map((step) => `<li>${escaped(step)}</li>`).join('')}</ol></details>`,
  ).join('');
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this Fennot</title>
<style>
:root { color-scheme: light dark; --ink: #1e2b28; --soft: #51605b; --ground: #eef1ea; --card: #fff; --line: #cfd6cb; --go: #136f82; }
@media (prefers-color-scheme: dark) { :root { --ink: #e9eee3; --soft: #aab8ae; --ground: #16201d; --card: #20302b; --line: #3a4b44; --go: #62bfd1; } }
body { margin: 0; background: var(--ground); color: var(--ink); font: 17px/1.5 system-ui, sans-serif; }
main { max-width: 34rem; margin: 0 auto; padding: 1.5rem 1.25rem 3rem; }
h1 { font-size: 1.7rem; line-height: 1.15; }
p { color: var(--soft); }
a.go { display: block; margin: 1rem 0; padding: .85rem 1rem; border: 1px solid var(--go); border-radius: 4px; text-align: center; font-weight: 600; text-decoration: none; color: var(--go); background: var(--card); }
details { margin: .5rem 0; padding: .75rem 1rem; background: var(--card); border: 1px solid var(--line); border-radius: 4px; }
summary { font-weight: 600; cursor: pointer; }
li { margin: .4rem 0; }
code { font-size: .8rem; word-break: break-all; }
</style>
</head>
<body>
<main>
<h1>Have this device trust Fennot</h1>
<p>Fennot runs on a machine in this network, and closes the line to it so that nobody reads along. For that it has a certificate of its own. A device that trusts it, once, does all that the machine itself does.</p>
<a class="go" href="${file}" download>1. Fetch the certificate</a>
${lists}
<p>Before you trust it, compare these figures with those in Fennot’s settings under Network, or in the terminal:<br><code>${escaped(fingerprint)}</code></p>
<p>It can vouch for that machine and for addresses of home networks only, and for no site of the internet.</p>
<a class="go" href="${own}">2. Open Fennot</a>
<p>Without trusting it the browser warns. If you go on all the same, plans are shown and saved as ever; passkeys and a screen that stays on beside the work are not to be had.</p>
</main>
</body>
</html>
`;
}
