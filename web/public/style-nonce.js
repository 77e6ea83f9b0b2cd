/*
 * The page's policy takes only such style elements as carry the word that the server made for this very page. The kept
 * libraries make theirs in the page (menus, messages, the lock of scrolling under a dialog): they get it here, before any
 * of them is loaded, which is why this is a script of its own. What somebody else managed to write into the page has not
 * got it.
 */
(() => {
  const nonce = document.querySelector('meta[name="style-nonce"]')?.content;
  if (!nonce) return;
  const make = document.createElement.bind(document);
  document.createElement = (name, options) => {
    const element = make(name, options);
    if (element instanceof HTMLStyleElement) element.nonce = nonce;
    return element;
  };
})();
