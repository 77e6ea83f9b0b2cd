/** The page of the scale's stand-in: what is laid on it, as buttons. */
export const PAGE = `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{name}: a stand-in</title>
<style>
  body { margin: 0; font: 16px/1.4 system-ui, sans-serif; background: #eef1ea; color: #1e2b28; }
  main { max-width: 34rem; margin: 2rem auto; padding: 0 1rem; }
  .plate { height: 1.2rem; border-radius: 50%; background: #cfd6cb; border: 1px solid #1e2b28; }
  .body { margin: -0.4rem 2rem 0; padding: 1.2rem; border: 1px solid #1e2b28; border-radius: 4px; background: #fff; text-align: center; }
  output { font: 600 2.6rem/1 ui-monospace, monospace; }
  #how { color: #4f7345; }
  .row { display: flex; flex-wrap: wrap; gap: 0.5rem; margin-top: 1rem; }
  button, input { font: inherit; padding: 0.45rem 0.8rem; border: 1px solid #cfd6cb; border-radius: 4px; background: #fff; }
  button:hover { border-color: #136f82; color: #136f82; }
  input { width: 6rem; }
</style>
<main>
  <h1>{name}</h1>
  <p>A stand-in: it weighs what you say lies on it, and tells Fennot.</p>
  <div class="plate"></div>
  <div class="body"><output id="shown" aria-live="polite">...</output><div id="how"></div></div>
  <div class="row" id="things"></div>
  <form class="row" id="own"><label>Lay on <input id="grams" inputmode="decimal" value="12.5"> g</label><button>Lay it on</button></form>
  <div class="row">
    <button data-post="clear">Take everything off</button>
    <button data-post="tare">Set to zero</button>
    <button data-post="unplug" data-body="10">Pull the plug for 10 seconds</button>
  </div>
</main>
<script>
  const post = (path, body = '') =>
    fetch('/' + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
  const things = [['A square', 3.2], ['Three squares', 9.7], ['A swatch', 9.4], ['Half a ball', 25], ['A ball', 50], ['A bowl', 310], ['A sack of flour', 6000]];
  for (const [name, grams] of things) {
    const button = document.createElement('button');
    button.textContent = name;
    button.onclick = () => post('lay', String(grams));
    document.getElementById('things').append(button);
  }
  for (const button of document.querySelectorAll('[data-post]'))
    button.onclick = () => post(button.dataset.post, button.dataset.body);
  document.getElementById('own').onsubmit = (event) => {
    event.preventDefault();
    post('lay', document.getElementById('grams').value.replace(',', '.'));
  };
  const words = { stable: 'at rest', moving: 'coming to rest', over: 'too heavy', lost: 'the plug is out' };
  setInterval(async () => {
    try {
      const shown = await (await fetch('/shown')).json();
      document.getElementById('shown').textContent = 'grams' in shown ? shown.grams.toFixed(1) + ' g' : '- - -';
      document.getElementById('how').textContent = words[shown.is];
    } catch {
      document.getElementById('how').textContent = 'it is switched off';
    }
  }, 250);
</script>
</html>
`;
