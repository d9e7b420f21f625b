// SPDX-License-Identifier: MIT
//
// The one script that stands in the page as text: unpacks the others and starts them. What the page's policy allows to
// run is this text, by its hash, and what it unpacks.
(() => {
  /** A loop, where the browser has no word for it: handing every letter to a function takes twenty times as long. */
  const bytesOf = (/** @type {string} */ base64) => {
    const builtIn = /** @type {any} */ (Uint8Array).fromBase64;
    if (builtIn) return builtIn.call(Uint8Array, base64);
    const letters = atob(base64);
    const bytes = new Uint8Array(letters.length);
    for (let i = 0; i < letters.length; ++i) bytes[i] = letters.charCodeAt(i);
    return bytes;
  };
  /** The bytes of a packed element. */
  const unpacked = async (/** @type {string} */ id) => {
    const plain = new Blob([bytesOf((document.getElementById(id)?.textContent ?? '').trim())])
      .stream()
      .pipeThrough(new DecompressionStream('gzip'));
    return new Response(plain).arrayBuffer();
  };
  const begin = async () => {
    const script = unpacked('fl-script');
    const engine = unpacked('fl-engine').then((bytes) => WebAssembly.compile(bytes));
    // No module: of a page that lies in a folder, browsers let no worker be one.
    const url = URL.createObjectURL(new Blob([await script], { type: 'text/javascript' }));
    await new Promise((loaded, failed) => {
      document.head.append(
        Object.assign(document.createElement('script'), { src: url, onload: loaded, onerror: failed }),
      );
    });
    return /** @type {any} */ (window).fondLadderPage.begin(url, engine);
  };
  const ready = begin();
  ready.catch((/** @type {unknown} */ error) => {
    const status = document.getElementById('fl-status');
    if (status) status.textContent = `This browser cannot run the page, so the picture stands still: ${error}`;
  });
  Object.assign(window, { fondLadder: { ready } });
})();
