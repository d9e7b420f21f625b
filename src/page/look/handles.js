// SPDX-License-Identifier: MIT
// @ts-check
// What a hand pulls on the selected node: its size, the gap between its children, its paddings. Each is a slider with a
// name, so that keys and screen readers have it too. What is pulled is a change as any other.

import { find, make } from './dom.js';
import { rounded } from './numbers.js';
import { follow, frame, stepOf } from './picture.js';

/** @typedef {import('./engine.js').Handle} Handle */

/** How far from its place a handle lies, in pixels of the page: paddings inside, sizes outside, for the node itself is carried. @type {Record<string, number[]>} */
const aside = {
  width: [9, 0],
  max_width: [9, 0],
  height: [0, 9],
  max_height: [0, 9],
  'padding.left': [14, 0],
  'padding.right': [-14, 0],
  'padding.top': [0, 14],
  'padding.bottom': [0, -14],
};

/** Where a handle lies in the picture. @param {Handle} handle */
function spotOf({ setting, x, y, way }) {
  const [right, down] = aside[setting] ?? [0, 0];
  const out = setting.startsWith('padding') ? 1 : way;
  return { x: frame.left + x * frame.scale + out * right, y: frame.top + y * frame.scale + out * down };
}

/** The handles that have room: each lies apart from those before it. @param {Handle[]} handles */
function withRoom(handles) {
  const apart = 20;
  /** @type {{x: number, y: number}[]} */
  const taken = [];
  return handles.filter((handle) => {
    const spot = spotOf(handle);
    if (taken.some((one) => Math.hypot(one.x - spot.x, one.y - spot.y) < apart)) return false;
    taken.push(spot);
    return true;
  });
}

export class Handles {
  #session;
  #place = find('handles');
  #label = find('handle-label');
  /** @type {{element: HTMLElement, handle: Handle}[]} */
  #all = [];
  /** What a handle moves, by the setting that it stands for: of several choices the one that was chosen. @type {Map<string, string>} */
  #chosen = new Map();
  /** The setting whose label is shown. */
  #shown = '';
  #pulls = false;
  #from = 0; // the value when the hand took hold
  #drawn = ''; // what the elements are of

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('selected rest', () => this.#write());
    session.on('size', () => {
      if (this.#pulls) return this.#write();
      this.#place.classList.add('away'); // until the edges of the container rest
    });
    session.on('selected', () => this.#tell(''));
  }

  #write() {
    this.#place.classList.remove('away');
    const { handles: all, fixed } = this.#session.handles();
    const handles = this.#pulls ? all : withRoom(all);
    const of = this.#session.selected;
    const drawn = JSON.stringify([of, handles.map((one) => one.setting), fixed]);
    if (drawn !== this.#drawn && !this.#pulls) {
      // what the hand holds stays until it lets go
      this.#drawn = drawn;
      this.#all = handles.map((handle) => ({ handle, element: this.#make(handle) }));
      const fixtures = fixed.map((one) => this.#makeFixed(one));
      this.#place.replaceChildren(...this.#all.map((one) => one.element), ...fixtures);
    }
    for (const one of this.#all) {
      const handle = handles.find(({ setting }) => setting === one.handle.setting);
      if (handle) this.#put(one, handle);
    }
    const name = this.#session.node(of)?.tail ?? '';
    this.#place.setAttribute('aria-label', name ? `Handles of ${name}` : 'Handles');
    if (this.#shown) this.#tell(this.#shown);
  }

  /** @param {{element: HTMLElement, handle: Handle}} one @param {Handle} handle as it is now */
  #put(one, handle) {
    one.handle = handle;
    const { element } = one;
    const { x, y } = spotOf(handle);
    element.style.left = `${x}px`;
    element.style.top = `${y}px`;
    element.ariaValueNow = rounded(handle.value);
    element.ariaValueText = `${rounded(handle.value)} pixels`;
  }

  /** A size that something else decides says so. @param {{axis: string, x: number, y: number, why: string}} fixed */
  #makeFixed({ axis, x, y, why }) {
    const [right, down] = axis === 'x' ? [9, 0] : [0, 9];
    const [left, top] = [frame.left + x * frame.scale + right, frame.top + y * frame.scale + down];
    const element = make('div', {
      className: `handle fixed pulls-${axis}`,
      role: 'note',
      tabIndex: 0,
      'aria-label': why,
      style: `left: ${left}px; top: ${top}px`,
    });
    const tell = () => {
      this.#shown = '';
      this.#label.hidden = false;
      this.#label.replaceChildren(why);
      this.#label.style.left = `${left + 12}px`;
      this.#label.style.top = `${top + 12}px`;
    };
    element.addEventListener('focus', tell);
    element.addEventListener('pointerenter', () => this.#pulls || tell());
    element.addEventListener('pointerleave', () => this.#shown || this.#tell(''));
    element.addEventListener('blur', () => this.#shown || this.#tell(''));
    return element;
  }

  /** @param {Handle} handle */
  #make(handle) {
    const { setting } = handle;
    const element = make('div', {
      className: `handle pulls-${handle.axis} of-${setting.split('.')[0].replace('max_', '')}`,
      role: 'slider',
      tabIndex: 0,
      'aria-label': setting,
      'aria-orientation': handle.axis === 'x' ? 'horizontal' : 'vertical',
    });
    const now = () => /** @type {Handle} */ (this.#all.find((one) => one.handle.setting === setting)?.handle ?? handle);
    const escape = (/** @type {KeyboardEvent} */ event) => {
      if (event.key !== 'Escape' || !this.#pulls) return;
      this.#pulls = false;
      this.#session.letGo(true);
    };
    follow(
      element,
      (down) => {
        const { value, axis, way } = now();
        this.#pulls = true;
        this.#from = value;
        this.#tell(setting);
        addEventListener('keydown', escape);
        return (event) => {
          if (!this.#pulls) return;
          const by = (axis === 'x' ? event.clientX - down.clientX : event.clientY - down.clientY) / frame.scale;
          this.#pull(setting, value + way * by, event.altKey);
        };
      },
      () => {
        removeEventListener('keydown', escape);
        if (!this.#pulls) return;
        this.#pulls = false;
        this.#session.letGo(now().value === this.#from);
      },
    );
    element.addEventListener('focus', () => this.#tell(setting));
    element.addEventListener('pointerenter', () => this.#pulls || this.#tell(setting));
    element.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      const { axis, value, way } = now();
      if (!step || (axis === 'x' ? step.x : step.y) === 0) return;
      event.preventDefault();
      event.stopPropagation();
      this.#pull(setting, value + way * (axis === 'x' ? step.x : step.y), false);
      this.#session.letGo();
    });
    return element;
  }

  /** What a pulled handle moves. @param {Handle} handle */
  #settingOf(handle) {
    const chosen = this.#chosen.get(handle.setting.split('.')[0]);
    return (handle.choices.find((one) => one.words === chosen) ?? handle.choices[0]).setting;
  }

  /** @param {string} setting of the handle @param {number} value @param {boolean} free between whole pixels */
  #pull(setting, value, free) {
    const handle = this.#all.find((one) => one.handle.setting === setting)?.handle;
    if (!handle) return;
    const whole = free ? Math.round(value * 10) / 10 : Math.round(value);
    const held = handle.negative ? whole : Math.max(0, whole);
    this.#session.pull(`${this.#session.selected}.${this.#settingOf(handle)}=${held}`);
  }

  /** Shows what a handle is, its value, and what else can move with it. @param {string} setting nothing when empty */
  #tell(setting) {
    this.#shown = setting;
    const handle = this.#all.find((one) => one.handle.setting === setting)?.handle;
    this.#label.hidden = !handle;
    if (!handle) return;
    const own = this.#settingOf(handle);
    const buttons =
      handle.choices.length < 2
        ? []
        : handle.choices.map((choice) =>
            make(
              'button',
              {
                type: 'button',
                'aria-pressed': String(choice.setting === own),
                onclick: () => {
                  this.#chosen.set(setting.split('.')[0], choice.words);
                  this.#tell(setting);
                },
              },
              choice.words,
            ),
          );
    const said = this.#session.settings.find(({ key }) => key === own.split('.')[0]);
    const whence = said && said.source !== 'default' ? `(${said.source}${said.name ? ` ${said.name}` : ''}) ` : '';
    this.#label.replaceChildren(make('strong', {}, own), ` ${rounded(handle.value)} ${whence}`, ...buttons);
    const { x, y } = spotOf(handle);
    this.#label.style.left = `${x + 12}px`;
    this.#label.style.top = `${y + 12}px`;
  }
}
