// SPDX-License-Identifier: MIT
// @ts-check
// The arrangement, as `draw` draws it, with edges that a hand takes. It and the ladder below have one scale and one left
// edge, which are kept here.

import { apart } from './beside.js';
import { find, messageOf } from './dom.js';
import { play } from './canvas.js';
import { anyTrouble, flag, painted } from './engine.js';
import { sized } from './numbers.js';

/** What the picture and the ladder share, in pixels of the page. */
export const frame = { left: 14, right: 62, top: 10, most: 1, scale: 1 };

const below = 34; // space under the container, for its lower edge and what overhangs

/**
 * Follows a hand that takes hold of an element.
 * @param {HTMLElement} element
 * @param {(event: PointerEvent) => ((event: PointerEvent) => void) | null} take  returns what follows it
 * @param {() => void} [release]
 */
export function follow(element, take, release = () => {}) {
  element.addEventListener('pointerdown', (event) => {
    if (event.button !== 0) return;
    const move = take(event);
    if (!move) return;
    event.preventDefault();
    element.focus({ preventScroll: true });
    element.setPointerCapture(event.pointerId);
    const end = () => {
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', end);
      element.removeEventListener('pointercancel', end);
      release();
    };
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', end);
    element.addEventListener('pointercancel', end);
  });
}

/** How far an arrow key goes, or null for any other. @param {KeyboardEvent} event */
export function stepOf(event) {
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
  if (!way || event.altKey || event.ctrlKey || event.metaKey) return null;
  const far = event.shiftKey ? 10 : 1;
  return { x: way[0] * far, y: way[1] * far };
}

const largestLength = 1e9;

/** A size that follows the hand is drawn once a picture of the screen, however often the hand is heard. */
export class Hand {
  /** @type {{width: number, height: number | null} | null} */
  #wanted = null;
  #session;
  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
  }
  /** The size that is wanted or there. */
  get size() {
    return this.#wanted ?? this.#session.size;
  }
  /** The nearest size that there is. @param {number} width @param {number | null} height */
  resize(width, height) {
    if (Number.isNaN(width) || Number.isNaN(height ?? 0)) return; // where there is no space that a hand could be in
    const waiting = this.#wanted !== null;
    const near = (/** @type {number} */ length) => Math.min(largestLength, Math.max(0, length));
    this.#wanted = { width: near(width), height: height === null ? null : near(height) };
    if (!waiting) requestAnimationFrame(() => this.#now());
  }
  #now() {
    const wanted = this.#wanted;
    this.#wanted = null;
    if (wanted) this.#session.resize(wanted.width, wanted.height);
  }
}

/** Outlines boxes of the scene, as thick on the page whatever its scale. @param {CanvasRenderingContext2D} context */
function outlineIn(context) {
  const thin = 1 / frame.scale;
  return (
    /** @type {import('./engine.js').Box} */ box,
    /** @type {string} */ ink,
    width = 2,
    /** @type {number[]} */ dash = [],
  ) => {
    context.strokeStyle = ink;
    context.lineWidth = width * thin;
    context.setLineDash(dash.map((part) => part * thin));
    context.strokeRect(box.x, box.y, box.width, box.height);
  };
}

export class Picture {
  #session;
  #hand;
  #canvas = /** @type {HTMLCanvasElement} */ (find('canvas'));
  #context = /** @type {CanvasRenderingContext2D} */ (this.#canvas.getContext('2d'));
  #sheet = find('sheet');
  #ground = find('ground');
  #hover = find('hover');
  #hovered = '';
  #dark = matchMedia('(prefers-color-scheme: dark)');

  #beside;

  /** @param {import('./session.js').Session} session @param {Hand} hand @param {import('./beside.js').Beside} beside */
  constructor(session, hand, beside) {
    this.#session = session;
    this.#hand = hand;
    this.#beside = beside;
    session.on('size selected held rest carried', () => this.draw());
    session.on('beside', () => {
      this.fit();
      session.tell('frame');
      this.draw();
    });
    this.#sheet.addEventListener('scroll', () => this.draw());
    this.#dark.addEventListener('change', () => this.draw());
    this.#takeEdges();
    this.#point();
    this.#comeCloser();
  }

  /** Whether the container has the space to itself, instead of the whole ladder. */
  #closer = false;
  #comeCloser() {
    const button = find('closer');
    button.addEventListener('click', () => {
      this.#closer = !this.#closer;
      button.ariaPressed = String(this.#closer);
      this.fit();
      this.#session.tell('frame');
      this.draw();
    });
  }

  /** Chooses the scale for the space there is. */
  fit() {
    const { ladder, size } = this.#session;
    const space = find('stage').clientWidth - frame.left - frame.right;
    const nearly = 1.1; // so that the edge can be pulled further
    frame.most = Math.max(this.#closer ? nearly * size.width : Math.max(ladder.width.to, size.width), 1);
    const each = this.#beside.on ? (space - apart) / 2 : space;
    frame.scale = Math.max(0.01, Math.min(1, each / frame.most));
    frame.top = this.#beside.on ? 24 : 10; // then it has a name above it
  }

  draw() {
    const { container, size } = this.#session;
    if (!(size.width <= frame.most)) {
      this.fit();
      this.#session.tell('frame');
    }
    const width = container.width * frame.scale;
    const height = container.height * frame.scale;
    this.#ground.style.height = `${Math.min(frame.top + height + below, 1e6)}px`;
    this.#place(width, height);
    const view = {
      width: this.#sheet.clientWidth,
      height: Math.min(this.#sheet.clientHeight, frame.top + height + below),
    };
    const density = devicePixelRatio || 1;
    const [columns, rows] = [Math.ceil(view.width * density), Math.ceil(view.height * density)];
    if (this.#canvas.width !== columns || this.#canvas.height !== rows) {
      this.#canvas.width = columns;
      this.#canvas.height = rows;
      this.#canvas.style.width = `${view.width}px`;
      this.#canvas.style.height = `${view.height}px`;
    }
    const context = this.#context;
    context.setTransform(density, 0, 0, density, 0, 0);
    context.clearRect(0, 0, view.width, view.height);
    const at = { x: frame.left, y: frame.top - this.#sheet.scrollTop };
    this.#session.names = [];
    const own = this.#session.node(this.#session.selected)?.step;
    const scrolled = this.#sheet.scrollTop;
    play(context, this.#session.paint({ ...at, scale: frame.scale, ...view }), this.#dark.matches, (text, box) => {
      if (text === own) this.#session.names.push({ ...box, y: box.y + scrolled });
    });
    if (this.#beside.on) this.#drawBeside(context, at, view);
    context.save();
    context.translate(at.x, at.y);
    context.scale(frame.scale, frame.scale);
    this.#mark(context);
    context.restore();
    const beside = this.#beside.on ? `, and beside it ${this.#beside.name}` : '';
    this.#canvas.setAttribute('aria-label', `The arrangement at ${sized(container)}${beside}`);
    const label = find('beside-name');
    label.hidden = !this.#beside.on;
    label.textContent = this.#beside.name;
    label.style.left = `${frame.left + frame.most * frame.scale + apart}px`;
  }

  /**
   * The other arrangement, to the right of where this one ends at its widest.
   * @param {CanvasRenderingContext2D} context
   * @param {{x: number, y: number}} at  of this one
   * @param {{width: number, height: number}} view
   */
  #drawBeside(context, at, view) {
    const x = Math.round(at.x + frame.most * frame.scale + apart); // as sharp as this one
    const place = { x, y: at.y, scale: frame.scale, ...view };
    const ink = getComputedStyle(document.documentElement);
    play(context, this.#beside.paint(place), this.#dark.matches);
    const box = this.#beside.box(this.#session.selected);
    if (box) {
      context.save();
      context.translate(x, at.y);
      context.scale(frame.scale, frame.scale);
      outlineIn(context)(box, ink.getPropertyValue('--mark').trim(), 2);
      context.restore();
    }
  }

  /** What the page adds to the picture: old places, what became bad, what is under the pointer and what is selected. @param {CanvasRenderingContext2D} context */
  #mark(context) {
    const { scene, boxes, places, selected } = this.#session;
    const color = (/** @type {string} */ name) =>
      getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const outline = outlineIn(context);
    for (const { from } of this.#session.old ? this.#session.moved() : []) {
      if (from) outline(from, color('--old'), 1.5, [5, 3]);
    }
    for (const place of this.#session.became(anyTrouble)) {
      outline(painted(boxes, place), color('--bad'), 4);
    }
    const over = places.get(this.#hovered);
    if (over !== undefined && scene.nodes[over].path !== selected) outline(painted(boxes, over), color('--mark'), 1);
    this.#markLanding(context, color('--mark'));
    this.#markTies(context, color('--mark'));
    for (const path of this.#session.chosen) {
      const place = places.get(path);
      if (place === undefined || !(this.#session.flags[place] & flag.placed)) continue;
      const box = painted(boxes, place);
      outline(box, color('--mark'), path === selected ? 3 : 2);
      context.fillStyle = color('--mark-fill');
      context.fillRect(box.x, box.y, box.width, box.height);
    }
  }

  /** What the selected node is tied to, and a tie that a hand is about to make. @param {CanvasRenderingContext2D} context @param {string} ink */
  #markTies(context, ink) {
    const { tied } = this.#session;
    const thin = 1 / frame.scale;
    context.strokeStyle = ink;
    context.fillStyle = ink;
    context.lineWidth = 2 * thin;
    for (const line of [...this.#session.ties().lines, ...(tied ? [tied] : [])]) {
      context.setLineDash(line === tied ? [4 * thin, 3 * thin] : []);
      context.beginPath();
      context.moveTo(line.x, line.y);
      context.lineTo(line.to_x, line.to_y);
      context.stroke();
      for (const [x, y] of [
        [line.x, line.y],
        [line.to_x, line.to_y],
      ])
        context.fillRect(x - 3 * thin, y - 3 * thin, 6 * thin, 6 * thin);
    }
  }

  /** Where what is carried would land. @param {CanvasRenderingContext2D} context @param {string} ink */
  #markLanding(context, ink) {
    const { landing, carried, places, boxes } = this.#session;
    if (!landing) return;
    const outline = outlineIn(context);
    for (const place of carried.map((path) => places.get(path))) {
      if (place !== undefined) outline(painted(boxes, place), ink, 2, [2, 4]);
    }
    const container = places.get(landing.container);
    if (container !== undefined) outline(painted(boxes, container), ink, 1.5, [6, 3]);
    outline(landing, ink, 4);
  }

  /** @param {number} width @param {number} height of the container in the picture */
  #place(width, height) {
    const { size } = this.#session;
    const [right, lower, corner] = [find('right'), find('lower'), find('corner')];
    const [x, y] = [frame.left + width, frame.top + height];
    Object.assign(right.style, { left: `${x - 5}px`, top: `${frame.top}px`, height: `${Math.max(16, height)}px` });
    Object.assign(lower.style, { left: `${frame.left}px`, top: `${y - 5}px`, width: `${Math.max(16, width)}px` });
    Object.assign(corner.style, { left: `${x - 5}px`, top: `${y - 5}px` });
    right.ariaValueNow = String(size.width);
    right.ariaValueMin = '0';
    right.ariaValueMax = String(frame.most);
    lower.ariaValueNow = String(this.#session.height);
    lower.ariaValueMin = '0';
    lower.ariaValueText = size.height === null ? `${this.#session.height}, by content` : String(this.#session.height);
  }

  #takeEdges() {
    const session = this.#session;
    const edge = (/** @type {string} */ id, /** @type {boolean} */ wide, /** @type {boolean} */ high) => {
      const element = find(id);
      follow(
        element,
        (down) => {
          const from = { ...this.#hand.size };
          const height = session.height;
          const scrolled = this.#sheet.scrollTop;
          session.move(true);
          return (event) => {
            const dx = (event.clientX - down.clientX) / frame.scale;
            const dy = (event.clientY - down.clientY + this.#sheet.scrollTop - scrolled) / frame.scale;
            this.#hand.resize(
              wide ? Math.round(Math.min(frame.most, from.width + dx)) : from.width,
              high ? Math.round(height + dy) : from.height,
            );
          };
        },
        () => session.move(false),
      );
      element.addEventListener('keydown', (event) => {
        const step = stepOf(event);
        if (!step || (step.x !== 0 && !wide) || (step.y !== 0 && !high)) return;
        event.preventDefault();
        event.stopPropagation();
        const { width, height } = this.#hand.size;
        this.#hand.resize(width + step.x, step.y ? (height ?? session.height) + step.y : height);
      });
    };
    edge('right', true, false);
    edge('lower', false, true);
    edge('corner', true, true);
  }

  #point() {
    const session = this.#session;
    const inScene = (/** @type {MouseEvent} */ event) => {
      const area = this.#canvas.getBoundingClientRect();
      return {
        x: (event.clientX - area.left - frame.left) / frame.scale,
        y: (event.clientY - area.top - frame.top + this.#sheet.scrollTop) / frame.scale,
      };
    };
    this.#canvas.addEventListener('click', (event) => {
      if (this.#carries) return;
      const { x, y } = inScene(event);
      session.click(session.under(x, y), event);
    });
    this.#carry(inScene);
    this.#canvas.addEventListener('pointermove', (event) => {
      const { x, y } = inScene(event);
      this.hover(session.under(x, y), event);
    });
    this.#canvas.addEventListener('pointerleave', () => this.hover(''));
    this.#canvas.addEventListener(
      'wheel',
      (event) => {
        const { x, y } = inScene(event);
        const lines = event.deltaMode === 1 ? 16 : 1;
        const by =
          event.shiftKey && event.deltaX === 0 ? { x: event.deltaY, y: 0 } : { x: event.deltaX, y: event.deltaY };
        if (session.scroll(x, y, by.x * lines, by.y * lines)) event.preventDefault();
      },
      { passive: false },
    );
  }

  /** A node is carried by pressing on it and moving: the selected one, or else the one that is there. @param {(event: MouseEvent) => {x: number, y: number}} inScene */
  #carry(inScene) {
    const session = this.#session;
    const far = 6; // pixels, before a press is taken for more than a click
    this.#canvas.addEventListener('pointerdown', (down) => {
      this.#carries = false;
      const from = inScene(down);
      const under = session.under(from.x, from.y);
      const held = session.chosen.filter((one) => `${under}/`.startsWith(`${one}/`)).at(-1) ?? '';
      const inSelected = held !== '';
      if (down.button !== 0 || under === '' || (down.pointerType === 'touch' && !inSelected)) return;
      const path = inSelected ? held : under;
      if (!path.includes('/')) return; // the root fills the container
      this.#pressed = true;
      const end = (/** @type {boolean} */ back) => {
        this.#pressed = false;
        this.#canvas.removeEventListener('pointermove', move);
        for (const [name, does] of ends) removeEventListener(name, does);
        if (this.#carries) session.drop(back).catch((error) => session.say(messageOf(error)));
      };
      const move = (/** @type {PointerEvent} */ event) => {
        if (!this.#carries && Math.hypot(event.clientX - down.clientX, event.clientY - down.clientY) < far) return;
        if (!this.#carries) this.#canvas.setPointerCapture(down.pointerId);
        this.#carries = true;
        const { x, y } = inScene(event);
        session.carryOver(path, x, y);
        event.preventDefault();
      };
      const up = () => end(false);
      const away = () => end(true);
      const key = (/** @type {Event} */ event) => {
        if (/** @type {KeyboardEvent} */ (event).key === 'Escape') end(true);
      };
      const ends = /** @type {[string, (event: Event) => void][]} */ ([
        ['pointerup', up],
        ['pointercancel', away],
        ['keydown', key],
      ]);
      this.#canvas.addEventListener('pointermove', move);
      for (const [name, does] of ends) addEventListener(name, does);
    });
    // A finger on what is selected carries it; anywhere else it scrolls the page.
    this.#canvas.addEventListener('touchmove', (event) => this.#pressed && event.preventDefault(), { passive: false });
  }
  #carries = false;
  #pressed = false;

  /** Tells the name and size of a node. @param {string} path nothing when empty @param {MouseEvent} [event] where */
  hover(path, event) {
    const box = path ? this.#session.box(path) : null;
    this.#hover.hidden = !box || !event;
    if (box && event) {
      const area = this.#ground.getBoundingClientRect();
      this.#hover.textContent = `${this.#session.node(path)?.tail} ${sized(box)}`;
      const left = Math.min(event.clientX - area.left + 14, area.width - this.#hover.offsetWidth - 4);
      this.#hover.style.left = `${Math.max(0, left)}px`;
      this.#hover.style.top = `${event.clientY - area.top + 16}px`;
    }
    if (path === this.#hovered) return;
    this.#hovered = path;
    this.draw();
  }
}
