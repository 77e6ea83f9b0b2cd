/** Whether this browser can draw in three dimensions; asked once. */
let known: boolean | undefined;

export function hasWebGl(): boolean {
  if (known === undefined) {
    const context = window.document.createElement('canvas').getContext('webgl2');
    known = context !== null;
    context?.getExtension('WEBGL_lose_context')?.loseContext();
  }
  return known;
}
