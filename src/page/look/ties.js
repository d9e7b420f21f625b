// SPDX-License-Identifier: MIT
// @ts-check
// Ties of the selected node: drawn as lines by the picture, made by pulling from one of its edges to the edge of a
// sibling, or by choosing that edge from a list.

import { find, make, messageOf } from './dom.js';
import { frame } from './picture.js';

const out = 22; // pixels from the edge, beyond the other handles
const ways = /** @type {Record<string, number[]>} */ ({ left: [-1, 0], right: [1, 0], top: [0, -1], bottom: [0, 1] });

export class TieHandles {
  #session;
  #place = find('ties');
  #label = find('tie-label');

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('selected rest frame', () => this.#write());
    session.on('size', () => this.#place.replaceChildren());
    session.on('selected', () => (this.#label.hidden = true));
  }

  #write() {
    const { sides } = this.#session.ties();
    this.#place.replaceChildren(...sides.map((one) => this.#make(one)));
  }

  /** @param {{side: string, number: number, x: number, y: number}} one */
  #make({ side, number, x, y }) {
    const [right, down] = ways[side];
    const spot = { x: frame.left + x * frame.scale + out * right, y: frame.top + y * frame.scale + out * down };
    const button = make('button', {
      type: 'button',
      className: 'tie',
      title: `tie its ${side} to the edge of a sibling: pull it there`,
      'aria-label': `tie its ${side}`,
      style: `left: ${spot.x}px; top: ${spot.y}px`,
    });
    button.addEventListener('pointerdown', (down_) => this.#pull(button, down_, { number, x, y }));
    button.addEventListener('click', (event) => {
      if (event.detail === 0) this.#list(side, number, spot); // by a key
    });
    return button;
  }

  /** @param {HTMLElement} button @param {PointerEvent} down @param {{number: number, x: number, y: number}} from */
  #pull(button, down, { number, x, y }) {
    if (down.button !== 0) return;
    const session = this.#session;
    down.preventDefault();
    button.setPointerCapture(down.pointerId);
    /** @type {ReturnType<typeof session.tieAt>} */
    let found = null;
    const move = (/** @type {PointerEvent} */ event) => {
      const point = {
        x: x + (event.clientX - down.clientX) / frame.scale,
        y: y + (event.clientY - down.clientY) / frame.scale,
      };
      found = session.tieAt(number, point.x, point.y);
      session.tied = { x, y, to_x: found?.x ?? point.x, to_y: found?.y ?? point.y };
      session.tell('carried');
      if (found) session.say(`${session.node(session.selected)?.tail} tied to ${found.words}`);
    };
    const end = (/** @type {boolean} */ back) => {
      button.removeEventListener('pointermove', move);
      button.removeEventListener('pointerup', up);
      button.removeEventListener('pointercancel', away);
      removeEventListener('keydown', key);
      session.tied = null;
      session.tell('carried');
      if (!back && found) this.#tie(found.tried);
    };
    const up = () => end(false);
    const away = () => end(true);
    const key = (/** @type {KeyboardEvent} */ event) => event.key === 'Escape' && end(true);
    button.addEventListener('pointermove', move);
    button.addEventListener('pointerup', up);
    button.addEventListener('pointercancel', away);
    addEventListener('keydown', key);
  }

  /** @param {string} tried */
  #tie(tried) {
    this.#label.hidden = true;
    this.#session.apply('set', tried).catch((error) => this.#session.say(messageOf(error)));
  }

  /** The edges that a side can be tied to, to choose from. @param {string} side @param {number} number @param {{x: number, y: number}} spot */
  #list(side, number, { x, y }) {
    const choice = make(
      'select',
      { 'aria-label': `what its ${side} is tied to` },
      make('option', { value: '' }, 'tie to …'),
      ...this.#session.possibleTies(number).map(({ words, tried }) => make('option', { value: tried }, words)),
    );
    choice.addEventListener('change', () => choice.value && this.#tie(choice.value));
    this.#label.hidden = false;
    this.#label.replaceChildren(choice);
    this.#label.style.left = `${x}px`;
    this.#label.style.top = `${y}px`;
    choice.focus();
  }
}
