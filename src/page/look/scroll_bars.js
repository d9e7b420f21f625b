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

  /** How long a bar is, and what of it the hand takes, in pixels of the page. @param {Scroller} one @param {'x' | 'y'} axis */
  #lengths(one, axis) {
    const bar = (axis === 'x' ? one.box.width : one.box.height) * frame.scale;
    const thumb = Math.min(bar, Math.max(shortest, (bar * bar) / (bar + one[`most_${axis}`] * frame.scale)));
    return { bar, thumb };
  }

  /** @param {string} path */
  #scroller(path) {
    return this.#session.scrollers().find(({ node }) => node.path === path);
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
      const now = this.#scroller(path);
      if (now) this.#session.scrollTo(path, axis === 'x' ? value : now.x, axis === 'y' ? value : now.y);
    };
    follow(bar, (down) => {
      const begun = this.#scroller(path);
      if (!begun) return null;
      const { bar: length, thumb } = this.#lengths(begun, axis);
      const per = length > thumb ? begun[`most_${axis}`] / (length - thumb) : 0;
      const from = begun[axis];
      return (event) => {
        const by = axis === 'x' ? event.clientX - down.clientX : event.clientY - down.clientY;
        to(from + by * per);
      };
    });
    bar.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      const now = this.#scroller(path);
      if (!now) return;
      const line = 10;
      const page = axis === 'x' ? now.box.width : now.box.height;
      const most = now[`most_${axis}`];
      const by = { PageDown: page, PageUp: -page, Home: -most, End: most }[event.key] ?? (step ? step[axis] * line : 0);
      if (by === 0) return;
      event.preventDefault();
      event.stopPropagation();
      to(now[axis] + by);
    });
    return bar;
  }

  /** @param {HTMLElement} bar @param {Scroller} one @param {'x' | 'y'} axis */
  #put(bar, one, axis) {
    const { box } = one;
    const [left, top] = [frame.left + box.x * frame.scale, frame.top + box.y * frame.scale];
    const [width, height] = [box.width * frame.scale, box.height * frame.scale];
    const most = one[`most_${axis}`];
    const { bar: length, thumb } = this.#lengths(one, axis);
    const at = (one[axis] / most) * (length - thumb);
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
