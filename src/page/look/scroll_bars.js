// SPDX-License-Identifier: MIT
// @ts-check
// A bar along each edge of what scrolls, for hands without a wheel and for keys.

import { find, make } from './dom.js';
import { rounded } from './numbers.js';
import { follow, frame, stepOf } from './picture.js';

const thick = 8;
const shortest = 18; // of what the hand takes

/** @typedef {ReturnType<import('./session.js').Session['scrollers']>[number]} Scroller */

export class ScrollBars {
  #session;
  #place = find('bars');
  /** @type {Map<string, HTMLElement>} */
  #bars = new Map();

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('size rest frame beside', () => this.#write());
  }

  #write() {
    /** @type {Map<string, HTMLElement>} */
    const bars = new Map();
    for (const one of this.#session.scrollers()) {
      for (const axis of /** @type {const} */ (['x', 'y'])) {
        if (one[`most_${axis}`] <= 0) continue;
        const key = `${one.node.path} ${axis}`;
        const bar = this.#bars.get(key) ?? this.#make(one.node.path, axis);
        this.#put(bar, one, axis);
        bars.set(key, bar);
      }
    }
    const same = bars.size === this.#bars.size && [...bars.keys()].every((key) => this.#bars.has(key));
    this.#bars = bars;
    if (!same) this.#place.replaceChildren(...bars.values());
  }

  /** @param {string} path @param {'x' | 'y'} axis */
  #scroller(path, axis) {
    const one = this.#session.scrollers().find(({ node }) => node.path === path);
    if (!one) return null;
    const length = (axis === 'x' ? one.box.width : one.box.height) * frame.scale;
    const most = one[`most_${axis}`];
    const seen = length / frame.scale / (length / frame.scale + most);
    const thumb = Math.max(shortest, length * seen);
    return { one, length, most, thumb, per: length > thumb ? most / (length - thumb) : 0 };
  }

  /** @param {string} path @param {'x' | 'y'} axis */
  #make(path, axis) {
    const bar = make('div', {
      className: `bar along-${axis}`,
      role: 'scrollbar',
      tabIndex: 0,
      'aria-controls': 'fl-canvas',
      'aria-orientation': axis === 'x' ? 'horizontal' : 'vertical',
      'aria-label': `${this.#session.node(path)?.tail}, ${axis === 'x' ? 'sideways' : 'up and down'}`,
      'aria-valuemin': '0',
    });
    bar.append(make('div', {}));
    const to = (/** @type {number} */ value) => {
      const now = this.#scroller(path, axis)?.one;
      if (now) this.#session.scrollTo(path, axis === 'x' ? value : now.x, axis === 'y' ? value : now.y);
    };
    follow(bar, (down) => {
      const begun = this.#scroller(path, axis);
      if (!begun) return null;
      const from = begun.one[axis];
      return (event) => {
        const by = axis === 'x' ? event.clientX - down.clientX : event.clientY - down.clientY;
        to(from + by * begun.per);
      };
    });
    bar.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      const now = this.#scroller(path, axis);
      if (!now) return;
      const line = 10;
      const page = axis === 'x' ? now.one.box.width : now.one.box.height;
      const by =
        { PageDown: page, PageUp: -page, Home: -now.most, End: now.most }[event.key] ?? (step ? step[axis] * line : 0);
      if (by === 0) return;
      event.preventDefault();
      event.stopPropagation();
      to(now.one[axis] + by);
    });
    return bar;
  }

  /** @param {HTMLElement} bar @param {Scroller} one @param {'x' | 'y'} axis */
  #put(bar, one, axis) {
    const { box } = one;
    const [left, top] = [frame.left + box.x * frame.scale, frame.top + box.y * frame.scale];
    const [width, height] = [box.width * frame.scale, box.height * frame.scale];
    const length = axis === 'x' ? width : height;
    const most = one[`most_${axis}`];
    const thumb = Math.min(length, Math.max(shortest, (length * length) / (length + most * frame.scale)));
    const at = most > 0 ? (one[axis] / most) * (length - thumb) : 0;
    Object.assign(bar.style, {
      left: `${axis === 'x' ? left : left + width - thick}px`,
      top: `${axis === 'y' ? top : top + height - thick}px`,
      width: `${axis === 'x' ? width : thick}px`,
      height: `${axis === 'y' ? height : thick}px`,
    });
    const inner = /** @type {HTMLElement} */ (bar.firstElementChild);
    Object.assign(
      inner.style,
      axis === 'x' ? { width: `${thumb}px`, marginLeft: `${at}px` } : { height: `${thumb}px`, marginTop: `${at}px` },
    );
    bar.ariaValueNow = rounded(one[axis]);
    bar.ariaValueMax = rounded(most);
  }
}
