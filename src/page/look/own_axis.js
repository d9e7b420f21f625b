// SPDX-License-Identifier: MIT
// @ts-check
// The own width of the selected node beside the container's, where the node has ranges of its own: their bounds as marks,
// and a cursor whose move is answered by the container's nearest width at which the node is as wide.

import { find, make, refill } from './dom.js';
import { rounded } from './numbers.js';
import { follow, frame, stepOf } from './picture.js';

export class OwnAxis {
  #session;
  #hand;
  #ladder;
  #place = find('own-axis');
  /** @type {HTMLElement | null} */
  #cursor = null;
  #path = '';
  #drawn = ''; // what the axis is of

  /** @param {import('./session.js').Session} session @param {import('./picture.js').Hand} hand @param {import('./ladder.js').Ladder} ladder */
  constructor(session, hand, ladder) {
    this.#session = session;
    this.#hand = hand;
    this.#ladder = ladder;
    session.on('scene selected curves frame settings', () => this.#write());
    session.on('size', () => this.#move());
  }

  /** The node ranges of the selected node. @returns {{name: string, from_width?: number, below_width?: number}[]} */
  get #ranges() {
    const setting = this.#session.settings.find(({ key }) => key === 'ranges');
    return setting && Array.isArray(setting.value) ? setting.value : [];
  }

  #write() {
    const ranges = this.#ranges;
    const node = this.#session.node(this.#session.selected);
    this.#place.hidden = ranges.length === 0 || !node;
    const drawn = JSON.stringify([ranges, node?.path, frame]);
    if (drawn === this.#drawn && this.#cursor) return this.#move(); // the hand may hold the cursor
    this.#drawn = drawn;
    this.#cursor = null;
    this.#path = node?.path ?? '';
    if (this.#place.hidden || !node) return;
    const bounds = ranges.flatMap((range) => [
      ...(range.from_width === undefined
        ? []
        : [{ at: range.from_width, words: `${range.name} from ${rounded(range.from_width)}` }]),
      ...(range.below_width === undefined
        ? []
        : [{ at: range.below_width, words: `${range.name} below ${rounded(range.below_width)}` }]),
    ]);
    const marks = bounds.map(({ at, words }) => {
      const button = make(
        'button',
        { type: 'button', className: 'named-size', title: words, onclick: () => this.#goTo(at) },
        words,
      );
      button.style.left = `${this.#x(at)}px`;
      return button;
    });
    this.#cursor = make('div', {
      className: 'own-cursor',
      role: 'slider',
      tabIndex: 0,
      'aria-label': `Width of ${node.tail}`,
    });
    const line = make('div', { className: 'own-line' });
    Object.assign(line.style, { left: `${frame.left}px`, width: `${frame.most * frame.scale}px` });
    this.#take(this.#cursor);
    refill(this.#place, make('p', { className: 'quiet' }, `Own width of ${node.tail}`), line, ...marks, this.#cursor);
    this.#move();
  }

  /** @param {number} width */
  #x(width) {
    return frame.left + width * frame.scale;
  }

  #move() {
    const box = this.#session.box(this.#path);
    if (!this.#cursor) return;
    this.#cursor.hidden = !box;
    if (!box) return;
    this.#cursor.style.left = `${this.#x(box.width)}px`;
    this.#cursor.textContent = rounded(box.width);
    this.#cursor.ariaValueNow = rounded(box.width);
    this.#cursor.ariaValueMin = '0';
    this.#cursor.ariaValueMax = String(frame.most);
  }

  /** @param {HTMLElement} cursor */
  #take(cursor) {
    follow(
      cursor,
      () => {
        this.#session.move(true);
        return (event) => {
          const x = event.clientX - this.#place.getBoundingClientRect().left - frame.left;
          this.#goTo(Math.round(x / frame.scale));
        };
      },
      () => this.#session.move(false),
    );
    cursor.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      const box = this.#session.box(this.#path);
      if (!step || !box) return;
      event.preventDefault();
      event.stopPropagation();
      this.#goTo(Math.round(box.width) + (step.x || -step.y));
    });
  }

  /** Makes the container as wide as it has to be for the node to be so wide, or as near to that as there is. @param {number} wanted */
  #goTo(wanted) {
    const node = this.#session.node(this.#path);
    if (!node) return;
    const now = this.#session.size.width;
    let best = { far: Infinity, away: Infinity, at: now };
    for (const { at, value } of this.#ladder.curve(`${node.tail}.width`)) {
      if (value === null) continue;
      // What is as near as can be seen counts as equally near: then the container moves least.
      const [far, away] = [Math.round(20 * Math.abs(value - wanted)), Math.abs(at - now)];
      if (far < best.far || (far === best.far && away < best.away)) best = { far, away, at };
    }
    this.#hand.resize(best.at, this.#session.size.height);
  }
}
