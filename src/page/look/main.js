// SPDX-License-Identifier: MIT
// @ts-check
// Begins the page. Where there is no document this is a worker, which answers questions.

import { Along } from './along.js';
import { api } from './api.js';
import { Asker, answerQuestions } from './asker.js';
import { Beside } from './beside.js';
import { Build } from './build.js';
import { letterRuler } from './canvas.js';
import { Changes } from './changes.js';
import { Claims } from './claims.js';
import { controlForm, controlSize, listKeys, tellStatus } from './controls.js';
import { find } from './dom.js';
import { Engine, carried } from './engine.js';
import { Findings } from './findings.js';
import { Handles } from './handles.js';
import { Ladder } from './ladder.js';
import { SizeMap } from './map.js';
import { Moved } from './moved.js';
import { NodePanel } from './node.js';
import { OwnAxis } from './own_axis.js';
import { Hand, Picture } from './picture.js';
import { watch } from './preview.js';
import { ScrollBars } from './scroll_bars.js';
import { Session } from './session.js';
import { Sketches } from './sketches.js';
import { TieHandles } from './ties.js';
import { NodeTree } from './tree.js';

/** What the program wrote into a page. @param {Document} page @returns {import('./session.js').Start} */
function written(page) {
  return JSON.parse(page.getElementById('fl-scene')?.textContent ?? '');
}

/** The same of the page as it is served now. */
async function servedNow() {
  const page = await (await fetch('.', { cache: 'no-store' })).text();
  return written(new DOMParser().parseFromString(page, 'text/html'));
}

/** Shows everything that was hidden while the engine was unpacked. */
function unveil() {
  find('still').hidden = true;
  for (const id of ['sheet', 'ladder', 'panels']) find(id).hidden = false;
}

/**
 * @param {string} script  where this text can be loaded from
 * @param {Promise<WebAssembly.Module>} module
 */
export async function begin(script, module) {
  const start = written(document);
  const ruler = letterRuler();
  const newEngine = async () => Engine.start(await module, ruler);
  const quick = new Asker(script, module);
  const session = new Session(newEngine, await newEngine(), quick, new Asker(script, module, quick));
  const { width, height, locale, text_expansion, words, modes, changes } = start;
  carried.pieces = start.pieces;
  Object.assign(session, { locale, percent: Number(text_expansion.replace('%', '')), words, modes });
  session.scene.changes = changes.map((change) => ({ ...change, text: change.what, option: '' }));
  session.size = { width: width ?? 0, height };

  const hand = new Hand(session);
  session.on('scene', unveil);
  const picture = new Picture(session, hand, new Beside(session, newEngine));
  session.on('scene', () => {
    if (width === null && session.size.width === 0)
      session.size = { width: session.ladder.width.to, height: session.ladder.height?.to ?? null };
    picture.fit();
  });
  new ScrollBars(session);
  new Handles(session);
  new TieHandles(session);
  new Along(session);
  new NodeTree(session, new Build(session));
  const claims = new Claims(session);
  new OwnAxis(session, hand, new Ladder(session, hand, claims));
  new SizeMap(session, hand);
  new NodePanel(session, new Sketches(session, newEngine));
  new Findings(session);
  new Changes(session);
  new Moved(session);
  controlForm(session);
  controlSize(session, hand);
  tellStatus(session);
  listKeys();
  let wide = 0;
  new ResizeObserver(() => {
    if (find('stage').clientWidth === wide || session.places.size === 0) return;
    wide = find('stage').clientWidth;
    picture.fit();
    session.tell('frame');
    picture.draw();
  }).observe(find('stage'));

  await session.open(start.file, start.text);
  Object.assign(/** @type {any} */ (window).fondLadder, api(session), { readyAfter: performance.now() });
  if (start.version !== null) watch(session, start, servedNow);
}

if (typeof document === 'undefined') answerQuestions();
