// SPDX-License-Identifier: MIT
// @ts-check
// Beside a server, which tells when the file is another one.

/**
 * @param {import('./session.js').Session} session
 * @param {number} version  of the file that is shown
 */
export function watch(session, version) {
  let known = String(version);
  const look = async () => {
    const mine = known;
    const answer = await fetch('scene', { cache: 'no-store' });
    const text = await answer.text();
    if (mine !== known) return;
    if (answer.ok) await session.open(session.file, text);
    else session.say(text);
  };
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
