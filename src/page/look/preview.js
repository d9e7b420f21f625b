// SPDX-License-Identifier: MIT
// @ts-check
// Follows the server of the page, which reports each new version of the file.

import { carried } from './engine.js';

/**
 * @param {import('./session.js').Session} session
 * @param {import('./session.js').Start} start  the start of the page
 * @param {() => Promise<import('./session.js').Start>} servedNow  the start that the server would give now
 */
export function watch(session, start, servedNow) {
  let { token } = start;
  let known = String(start.version);
  let written = { text: '', changes: 0 }; // by this page
  const look = async () => {
    const mine = known;
    const [answer, measured] = await Promise.all([
      fetch('scene', { cache: 'no-store' }),
      fetch('pieces', { cache: 'no-store' }),
    ]);
    const [text, pieces] = [await answer.text(), await measured.text()];
    if (mine !== known) return;
    if (measured.ok) carried.pieces = pieces; // a faulty scene has none: the last picture stays
    const isMine = text === written.text && !session.faults && carried.pieces === '';
    if (!answer.ok) session.say(text);
    else if (isMine) session.inFile(text, written.changes);
    else await session.open(session.file, text);
    document.body.dataset.version = mine; // the page now shows this version of the file
  };
  const write = async () => {
    const made = { text: session.textToSave().text, changes: session.scene.changes.length };
    const answer = await fetch('scene', {
      method: 'POST',
      headers: { 'X-Made-From': known, 'X-Page-Token': token },
      body: made.text,
    });
    if (!answer.ok) return session.say((await answer.text()).trim());
    written = made;
    session.inFile(made.text, made.changes);
    session.say('Written to the file; Undo and another write take it back.');
  };
  fetch('writes', { cache: 'no-store' })
    .then((answer) => {
      if (!answer.ok) return;
      session.write = () => write().catch((error) => session.say(`The file could not be written: ${error.message}`));
      session.inFile(session.text, 0);
    })
    .catch(() => {}); // the events below report it
  /** The program that served this page has ended, and another one serves here. */
  const renew = async () => {
    const now = await servedNow();
    if (now.file !== start.file)
      return session.say(`Another file is served here now, ${now.file}; load the page again.`);
    ({ token } = now);
    known = ''; // versions are counted anew
    listen();
  };
  const listen = () => {
    const changes = new EventSource(`changes?token=${token}`);
    changes.addEventListener('version', ({ data }) => {
      if (data === known) return;
      known = data;
      look().catch((error) => session.say(`The file could not be asked for: ${error.message}`));
    });
    changes.addEventListener('error', () => {
      session.say('The program that serves this page does not answer; the page goes on with what it has.');
      if (changes.readyState === EventSource.CLOSED) renew().catch(() => {}); // said above
    });
  };
  listen();
}
