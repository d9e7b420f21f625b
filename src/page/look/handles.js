// SPDX-License-Identifier: MIT
// @ts-check
// What a hand pulls on the selected node: its size, gaps, paddings, margins, border, tracks, its share of a line, its
// pins, its nudge, the cells it spans. Each is a slider with a name, so that keys and screen readers have it too. What is
// pulled is a change as any other.

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
  'margin.left': [-9, 0],
  'margin.right': [9, 0],
  'margin.top': [0, -9],
  'margin.bottom': [0, 9],
  'pin.left': [-9, 0],
  'pin.start': [-9, 0],
  'pin.right': [9, 0],
  'pin.end': [9, 0],
  'pin.top': [0, -9],
  'pin.bottom': [0, 9],
  'span.columns': [-9, 0],
  'span.rows': [0, -9],
};

/** Where a handle lies in the picture. @param {Handle} handle */
function spotOf({ setting, x, y, way }) {
  const [right, down] = aside[setting] ?? [0, 0];
  const out = ['width', 'max_width', 'height', 'max_height'].includes(setting) ? way : 1;
  return { x: frame.left + x * frame.scale + out * right, y: frame.top + y * frame.scale + out * down };
}

/** The handles that have space: each lies apart from those before it, and from where a name is written. @param {Handle[]} handles @param {import('./engine.js').Box[]} names  in pixels of the picture */
function withRoom(handles, names) {
  const apart = 20;
  const half = 8; // of a handle
  /** @type {{x: number, y: number}[]} */
  const taken = [];
  return handles.filter((handle) => {
    const spot = spotOf(handle);
    if (taken.some((one) => Math.hypot(one.x - spot.x, one.y - spot.y) < apart)) return false;
    const hides = (/** @type {import('./engine.js').Box} */ name) =>
      spot.x + half > name.x &&
      spot.x - half < name.x + name.width &&
      spot.y + half > name.y &&
      spot.y - half < name.y + name.height;
    if (names.some(hides)) return false;
    taken.push(spot);
    return true;
  });
}

/** A text that is tried: numbers of a pulled value among its pieces. @param {import('./engine.js').Pulled} pulled @param {number} value */
function filled({ texts, numbers }, value) {
  const fine = 1e6;
  return texts
    .map((text, i) =>
      i > 0 ? `${Math.round((numbers[i - 1].times * value + numbers[i - 1].plus) * fine) / fine}${text}` : text,
    )
    .join('');
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
  /** The setting whose handle was pressed, or reached by a key. */
  #taken = '';
  #pulls = false;
  #from = 0; // the value when the hand took hold
  #drawn = ''; // what the elements are of

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('selected rest frame', () => this.#write());
    session.on('size', () => {
      if (this.#pulls) return this.#write();
      this.#place.classList.add('away'); // until the edges of the container rest
    });
    session.on('selected', () => {
      this.#taken = '';
      this.#tell('');
    });
  }

  #write() {
    this.#place.classList.remove('away');
    const { handles: all, fixed } = this.#session.handles();
    const handles = this.#pulls ? all : withRoom(all, this.#session.names);
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
      this.#placeLabel({ x: left, y: top });
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
        const { value, axis, way, per_pixel: perPixel } = now();
        this.#pulls = true;
        this.#from = value;
        this.#held = now();
        this.#tell(setting);
        addEventListener('keydown', escape);
        return (event) => {
          if (!this.#pulls) return;
          const by = (axis === 'x' ? event.clientX - down.clientX : event.clientY - down.clientY) / frame.scale;
          this.#pull(this.#stopAt(by) ?? value + way * by * perPixel, event.altKey);
        };
      },
      () => {
        removeEventListener('keydown', escape);
        if (!this.#pulls) return;
        this.#pulls = false;
        this.#session.letGo(now().value === this.#from);
      },
    );
    element.addEventListener('focus', () => {
      this.#taken = setting;
      this.#tell(setting);
    });
    element.addEventListener('pointerenter', () => this.#pulls || this.#tell(setting));
    element.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      const { axis, value, way, grain } = now();
      if (!step || (axis === 'x' ? step.x : step.y) === 0) return;
      event.preventDefault();
      event.stopPropagation();
      this.#held = now();
      this.#pull(value + way * (axis === 'x' ? step.x : step.y) * grain, false);
      this.#session.letGo();
    });
    return element;
  }

  /** The handle as it was when the hand took hold: what it moves does not change under the hand. @type {Handle | null} */
  #held = null;
  /** The kinds of node's settings that a choice is kept for, as in "padding: all four". @param {Handle} handle */
  #family(handle) {
    return handle.setting.split('.')[0];
  }
  /** What a pulled handle moves. @param {Handle} handle */
  #settingOf(handle) {
    const chosen = this.#chosen.get(this.#family(handle));
    return (handle.choices.find((one) => one.words === chosen) ?? handle.choices[0]).setting;
  }
  /** For which nodes. @param {Handle} handle */
  #scopeOf(handle) {
    return handle.scopes.find((one) => one.words === this.#scope) ?? handle.scopes[0];
  }
  #scope = '';

  /** The value of the stop that is nearest to where the hand is, for what snaps. @param {number} by how far it went */
  #stopAt(by) {
    const handle = this.#held;
    if (!handle || handle.stops.length === 0) return null;
    const at = (handle.axis === 'x' ? handle.x : handle.y) + by;
    const nearest = handle.stops.reduce((best, one) => (Math.abs(one.at - at) < Math.abs(best.at - at) ? one : best));
    return nearest.value;
  }

  /** @param {number} value @param {boolean} free between multiples of its grain */
  #pull(value, free) {
    const handle = this.#held;
    if (!handle) return;
    const grain = free ? handle.grain / 10 : handle.grain;
    const whole = Math.round(value / grain) * grain;
    const most = handle.stops.at(-1)?.value ?? handle.most;
    const held = Math.min(most, Math.max(handle.least, whole));
    const { place, first } = this.#scopeOf(handle);
    this.#session.pull(
      ...(first ? [first] : []),
      `${place}.${this.#settingOf(handle)}=${filled(handle.own, held)}`,
      ...handle.also.map((one) => filled(one, held)),
    );
  }

  /** Shows what a handle is, its value, and what else can move with it. @param {string} setting nothing when empty */
  #tell(setting) {
    this.#shown = setting;
    const handle = this.#all.find((one) => one.handle.setting === setting)?.handle;
    this.#label.hidden = !handle;
    if (!handle) return;
    const own = this.#settingOf(handle);
    const choose = (
      /** @type {string[]} */ words,
      /** @type {string} */ now,
      /** @type {(words: string) => void} */ does,
    ) =>
      words.length < 2
        ? []
        : words.map((word) =>
            make(
              'button',
              {
                type: 'button',
                'aria-pressed': String(word === now),
                onclick: () => {
                  does(word);
                  this.#tell(setting);
                },
              },
              word,
            ),
          );
    const sides = choose(
      handle.choices.map(({ words }) => words),
      handle.choices.find((one) => one.setting === own)?.words ?? '',
      (words) => this.#chosen.set(this.#family(handle), words),
    );
    const scopes = choose(
      handle.scopes.map(({ words }) => words),
      this.#scopeOf(handle).words,
      (words) => (this.#scope = words),
    );
    const inForce = this.#session.settings.find(({ key }) => key === own.split('.')[0]);
    const source =
      inForce && inForce.source !== 'default' ? `(${inForce.source}${inForce.name ? ` ${inForce.name}` : ''}) ` : '';
    const called = handle.choices.length > 1 || handle.choices[0].setting !== own ? own : handle.choices[0].words;
    this.#label.replaceChildren(
      make('strong', {}, called),
      ` ${rounded(handle.value)} ${source}`,
      ...sides,
      ...(sides.length > 0 && scopes.length > 0 ? [make('br')] : []),
      ...scopes,
    );
    this.#placeLabel(spotOf(handle));
    if (setting === this.#taken) this.#giveAlong(handle, own); // not what the pointer only passes over
  }

  /** What is in hand is shown along its range too. @param {Handle} handle @param {string} own  the setting that it moves */
  #giveAlong(handle, own) {
    const plain = handle.own.texts.every((text) => text === '') && handle.stops.length === 0;
    const why = !plain ? 'is no number by itself' : handle.also.length > 0 ? "moves together with its neighbor's" : '';
    // What a range says now is varied there, also where it is to be said always.
    const { place } = this.#scopeOf(handle).first ? handle.scopes[0] : this.#scopeOf(handle);
    const { value, least, most, grain } = handle;
    this.#session.inHand = {
      setting: `${place}.${own}`,
      why,
      called: own,
      ...{ value, least, most, grain },
      pull: (wanted) => {
        if (!this.#session.pulls)
          this.#held = this.#all.find((one) => one.handle.setting === handle.setting)?.handle ?? handle;
        this.#pulls = true; // its element stays
        this.#pull(wanted, true);
        this.#pulls = false;
      },
    };
    this.#session.tell('inhand');
  }

  /** Beside a spot, where it is seen: below and behind it, or else above, or ahead. @param {{x: number, y: number}} spot */
  #placeLabel({ x, y }) {
    const [apart, sheet] = [12, find('sheet')];
    const [width, height] = [this.#label.offsetWidth, this.#label.offsetHeight];
    const below = y + apart + height <= sheet.scrollTop + sheet.clientHeight || y - apart < height;
    const left = Math.min(x + apart, sheet.clientWidth - width - 4);
    this.#label.style.left = `${Math.max(0, left)}px`;
    this.#label.style.top = `${below ? y + apart : y - apart - height}px`;
  }
}
