// SPDX-License-Identifier: MIT
// @ts-check
// Beside a server, which tells when the file is another one.

/**
 * @param {import('./session.js').Session} session
 * @param {number} version  of the file that is shown
 */
export function watch(session, version) {
  let known = String(version);
  let written = ''; // by this page: its changes are in the file then
  const look = async () => {
    const mine = known;
    const answer = await fetch('scene', { cache: 'no-store' });
    const text = await answer.text();
    if (mine !== known) return;
    if (!answer.ok) session.say(text);
    else if (text === written && !session.faults) session.inFile(text);
    else await session.open(session.file, text);
  };
  const write = async () => {
    const text = session.sceneText();
    const answer = await fetch('scene', { method: 'POST', headers: { 'X-Made-From': known }, body: text });
    if (!answer.ok) return session.say((await answer.text()).trim());
    written = text;
    session.inFile(text);
    session.say('Written to the file; Undo and another write take it back.');
  };
  fetch('writes', { cache: 'no-store' })
    .then((answer) => {
      if (!answer.ok) return;
      session.write = () => write().catch((error) => session.say(`The file could not be written: ${error.message}`));
      session.inFile(session.text);
    })
    .catch(() => {}); // whoever serves says so by the events below
  const changes = new EventSource('changes');
  changes.addEventListener('version', ({ data }) => {
    if (data === known) return;
    known = data;
    look().catch((error) => session.say(`The file could not be asked for: ${error.message}`));
  });
  changes.addEventListener('error', () =>
    session.say('The program that serves this page does not answer; the page goes on with what it has.'),
  );
}
