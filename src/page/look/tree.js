// SPDX-License-Identifier: MIT
// @ts-check
// The nesting beside the picture: a line a node, how it lays its children, and what is bad about it.

import { actions } from './actions.js';
import { carryByKey } from './carrying.js';
import { find, make, messageOf } from './dom.js';
import { flag, troubles } from './engine.js';

const arrows = { 'left to right': '→', 'right to left': '←', 'top to bottom': '↓', 'bottom to top': '↑' };

export class NodeTree {
  #session;
  #tree = find('tree');
  /** @type {{line: HTMLElement, lays: HTMLElement, signs: HTMLElement, flags: number}[]} */
  #lines = [];

  #build;

  /** @param {import('./session.js').Session} session @param {import('./build.js').Build} build */
  constructor(session, build) {
    this.#session = session;
    this.#build = build;
    session.on('scene nodes', () => this.#write());
    session.on('size rest', () => this.#sign());
    session.on('rest', () => this.#tellWays());
    session.on('selected scene nodes', () => this.#choose());
    this.#tree.addEventListener('keydown', (event) => this.#walk(event));
  }

  #write() {
    const { nodes } = this.#session.scene;
    /** @type {number[]} */
    const depths = [];
    this.#lines = nodes.map((node, place) => {
      depths[place] = node.parent < 0 ? 0 : depths[node.parent] + 1;
      const lays = make('span', { className: 'lays' });
      const signs = make('span', { className: 'signs' });
      const name = make('span', { className: 'name' }, node.step);
      const line = make(
        'div',
        { role: 'treeitem', tabIndex: -1, ariaLevel: String(depths[place] + 1), ariaSelected: 'false' },
        make('span', { className: `kind kind-${node.kind}` }, node.kind),
        name,
        lays,
        signs,
      );
      line.dataset.path = node.path;
      line.style.paddingInlineStart = `${4 + 14 * Math.min(depths[place], 12)}px`;
      line.addEventListener('click', (event) => this.#session.click(node.path, event));
      return { line, lays, signs, flags: -1 };
    });
    this.#tree.replaceChildren(...this.#lines.map((one) => one.line));
    if (this.#lines.length > 0) this.#lines[0].line.tabIndex = 0;
  }

  #sign() {
    const { flags } = this.#session;
    this.#lines.forEach((one, place) => {
      if (one.flags === flags[place]) return;
      one.flags = flags[place];
      const words = troubles
        .filter(([name]) => flags[place] & flag[name])
        .map(([, word]) => make('span', { className: 'bad' }, word));
      if (!(flags[place] & flag.placed)) words.push(make('span', { className: 'quiet' }, 'hidden'));
      if (flags[place] & flag.scrolls) words.push(make('span', { className: 'quiet' }, 'scrolls'));
      one.signs.replaceChildren(...words);
      one.line.classList.toggle('hidden', !(flags[place] & flag.placed));
      this.#name(place);
    });
  }

  /** Lines out of sight are not laid out, and a screen reader would find no name in them. @param {number} place */
  #name(place) {
    const { line, lays, signs } = this.#lines[place];
    const { kind, step } = this.#session.scene.nodes[place];
    const words = [kind, step, lays.title, ...[...signs.children].map((one) => one.textContent)];
    line.ariaLabel = words.filter(Boolean).join(' ');
  }

  #tellWays() {
    this.#session.scene.nodes.forEach(({ path }, place) => {
      const lays = this.#session.lays.get(path) ?? '';
      const { lays: element } = this.#lines[place];
      if (element.title === lays) return;
      element.title = lays;
      const way = Object.entries(arrows).find(([words]) => lays.startsWith(words));
      element.textContent = way ? way[1] + lays.slice(way[0].length).replace(/^[;,]?\s*/, ' ') : lays;
      this.#name(place);
    });
  }

  /** Whether a key carried a node, whose line the keys are to go on with. */
  #follows = false;

  #choose() {
    const { selected, places } = this.#session;
    const chosen = places.get(selected);
    const all = new Set(this.#session.chosen.map((path) => places.get(path)));
    this.#lines.forEach(({ line }, place) => {
      const on = all.has(place);
      if ((line.ariaSelected === 'true') === on) return;
      line.ariaSelected = String(on);
    });
    if (chosen === undefined) return;
    for (const { line } of this.#lines) line.tabIndex = -1;
    const { line } = this.#lines[chosen];
    line.tabIndex = 0;
    if (this.#follows) line.focus();
    this.#follows = false;
    const [box, space] = [line.getBoundingClientRect(), this.#tree.getBoundingClientRect()];
    if (box.top < space.top || box.bottom > space.bottom)
      this.#tree.scrollTop += box.top - space.top - space.height / 2;
  }

  /** @param {KeyboardEvent} event */
  #walk(event) {
    const { nodes } = this.#session.scene;
    const now = this.#lines.findIndex(({ line }) => line === event.target);
    this.#follows = true; // before the change, which may be told at once
    if (now >= 0 && carryByKey(this.#session, now, event)) {
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    if (now >= 0 && this.#actByKey(now, event)) {
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    this.#follows = false;
    const parent = nodes[now]?.parent ?? -1;
    const child = nodes.findIndex((node) => node.parent === now);
    const to = {
      ArrowDown: now + 1,
      ArrowUp: now - 1,
      Home: 0,
      End: nodes.length - 1,
      ArrowLeft: parent,
      ArrowRight: child,
      Enter: now,
      ' ': now,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    if (to < 0 || to >= nodes.length) return;
    this.#session.select(nodes[to].path);
    this.#lines[to].line.focus();
  }

  /** Actions of nodes, by their keys. Returns whether it was one. @param {number} now @param {KeyboardEvent} event */
  #actByKey(now, event) {
    const session = this.#session;
    const { path } = session.scene.nodes[now];
    if (event.key === ' ' && event.ctrlKey) {
      session.choose(path);
      this.#lines[now].line.focus();
      return true;
    }
    if (event.altKey || event.ctrlKey || event.metaKey) return false;
    const field = { n: 'put', g: 'gather', k: 'kind', F2: 'name' }[event.key];
    const action = actions.find(({ key }) => key === event.key);
    if (!field && !action) return false;
    if (!session.chosen.includes(path)) session.select(path);
    if (field) {
      this.#follows = false;
      this.#build.lead(field);
      return true;
    }
    if (!action) return false;
    const why = action.refusal(session);
    if (why) session.say(`${action.name}: ${why}.`);
    else action.does(session).catch((error) => session.say(messageOf(error)));
    return true;
  }
}

/** What keys do there beside walking and carrying, for the list of keys. */
export const actingKeys = [
  ['Ctrl+Space', 'adds the node to the selection or takes it out; a click with Ctrl or Shift does the same'],
  ['n', 'goes to Insert'],
  ['g', 'goes to Group'],
  ['k', 'goes to the kind, to turn a row into a column'],
  ['F2', 'goes to the name'],
  ...actions.map(({ key, about }) => [key, about]),
];
