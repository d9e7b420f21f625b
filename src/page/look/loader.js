// SPDX-License-Identifier: MIT
//
// The one script that stands in the page as text: unpacks the others and starts them. What the page's policy allows to
// run is this text, by its hash, and what it unpacks.
(() => {
  /** The digits of join_page, by their codes. */
  const digits = new Uint8Array(128);
  [...'0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz!#$%.()*+-;,=>?@^_`:|}~'].forEach(
    (letter, value) => {
      digits[letter.charCodeAt(0)] = value;
    },
  );
  /** Five digits are four bytes, the first digit the highest; what the last ones lack stands for the largest digit. */
  const bytesOf = (/** @type {string} */ text) => {
    const bytes = new DataView(new ArrayBuffer(Math.ceil(text.length / 5) * 4));
    for (let at = 0, to = 0; at < text.length; to += 4) {
      let four = 0;
      for (let i = 0; i < 5; ++i, ++at) four = four * 85 + (at < text.length ? digits[text.charCodeAt(at)] : 84);
      bytes.setUint32(to, four);
    }
    return bytes.buffer.slice(0, Math.floor((text.length * 4) / 5));
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
