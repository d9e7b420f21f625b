// SPDX-License-Identifier: MIT
// @ts-check
// The words that a setting can have, side by side: what the selected node, or the container that it lies in, would look
// like with each of them.

import { make, messageOf } from './dom.js';
import { measured } from './engine.js';
import { play } from './canvas.js';
import { containerOf } from './session.js';

const most = { width: 108, height: 72 }; // of a picture

/**
 * @param {import('./session.js').Session} session
 * @param {import('./sketches.js').Sketches} sketches
 * @param {string} key  of the selected node
 * @param {string[]} words
 * @param {string} now  the word that holds
 * @param {(word: string) => void} choose
 */
export function wordChoices(session, sketches, key, words, now, choose) {
  const { selected } = session;
  const buttons = words.map((word) => {
    const canvas = make('canvas', { 'aria-hidden': 'true' });
    Object.assign(canvas, most);
    const button = make(
      'button',
      {
        type: 'button',
        className: 'choice',
        'aria-pressed': String(word === now),
        onclick: () => choose(word),
        'data-key': `${key} ${word}`,
      },
      canvas,
      make('span', {}, word),
    );
    return { word, canvas, button };
  });
  const row = make(
    'div',
    { className: 'choices', role: 'group', 'aria-label': `${key}, word by word` },
    ...buttons.map(({ button }) => button),
  );
  const dark = matchMedia('(prefers-color-scheme: dark)').matches;
  sketches
    .draw(
      words.map((word) => `${selected}.${key}=${word}`),
      (engine, i, refusal) => {
        const { canvas, button } = buttons[i];
        if (!button.isConnected && row.isConnected) return false;
        if (refusal) {
          button.disabled = true;
          button.title = refusal;
          return true;
        }
        draw(/** @type {CanvasRenderingContext2D} */ (canvas.getContext('2d')), engine, placeOf(session, key), dark);
        return true;
      },
    )
    .catch((error) => session.say(messageOf(error)));
  return row;
}

/** The node whose box is shown: the selected one where it holds others, else its container. @param {import('./session.js').Session} session @param {string} key */
function placeOf(session, key) {
  const { selected } = session;
  const above = containerOf(selected);
  const holds = session.childrenOf(selected).length > 0 && !['self', 'hidden'].includes(key);
  return session.places.get(holds || above === '' ? selected : above) ?? 0;
}

/** @param {CanvasRenderingContext2D} context @param {import('./engine.js').Engine} engine @param {number} place @param {boolean} dark */
function draw(context, engine, place, dark) {
  const density = Math.max(1, devicePixelRatio || 1);
  const { canvas } = context;
  const box = measured(engine.boxes(place + 1), place);
  const scale = Math.min(1, (most.width - 2) / Math.max(1, box.width), (most.height - 2) / Math.max(1, box.height));
  const space = { width: Math.ceil(box.width * scale) + 2, height: Math.ceil(box.height * scale) + 2 };
  Object.assign(canvas, { width: space.width * density, height: space.height * density });
  Object.assign(canvas.style, { width: `${space.width}px`, height: `${space.height}px` });
  context.setTransform(density, 0, 0, density, 0, 0);
  context.clearRect(0, 0, space.width, space.height);
  play(context, engine.paint({ x: 1 - box.x * scale, y: 1 - box.y * scale, scale, ...space }, true), dark);
}
