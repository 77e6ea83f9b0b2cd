import Bowser from 'bowser';

/** What this device is called until its maker says otherwise: `Phone, Firefox on Android`. */
export function deviceName(agent: string = navigator.userAgent): string {
  const { browser, os, platform } = Bowser.parse(agent || 'none');
  const kind = platform.type === 'mobile' ? 'Phone' : platform.type === 'tablet' ? 'Tablet' : 'Computer';
  const on = os.name ? ` on ${os.name}` : '';
  return `${kind}, ${browser.name || 'a browser'}${on}`.slice(0, 40);
}
