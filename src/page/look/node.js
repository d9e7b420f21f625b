// SPDX-License-Identifier: MIT
// @ts-check
// The selected node: its size and the reason for it, its calculation, and its settings, each of which can be changed.

import schema from '../../../share/fond_ladder/scene.schema.json';
import { wordChoices } from './choices.js';
import { inside, make, messageOf, namePanel, refill } from './dom.js';
import { linked, nodeLink } from './names.js';
import { rounded, sized } from './numbers.js';

/**
 * @typedef {object} Setting
 * @property {string} key
 * @property {unknown} value
 * @property {string} source
 * @property {string} [name]
 * @property {boolean} [has_effect]
 *
 * @typedef {object} Step
 * @property {string} node
 * @property {number} width
 * @property {string} why_width
 * @property {number} height
 * @property {string} why_height
 */

const definitions = /** @type {Record<string, any>} */ (schema.$defs);
const unsettable = new Set(['name', 'kind']);

/** What the schema says of a key: a sentence, and the words it offers. @param {string} key */
function help(key) {
  const definition = definitions[`key_${key}`] ?? {};
  /** @type {string[]} */
  const words = [];
  const collect = (/** @type {any} */ part) => {
    if (!part || typeof part !== 'object') return;
    for (const word of part.enum ?? []) words.push(String(word));
    if ('const' in part) words.push(String(part.const));
    if (part.type === 'boolean') words.push('true', 'false');
    for (const other of [...(part.anyOf ?? []), ...(part.oneOf ?? [])]) collect(other);
  };
  collect(definition);
  return { about: String(definition.description ?? ''), words: [...new Set(words)] };
}

/** The words that a key offers, where they can be looked at side by side. @param {string} key */
function fewWords(key) {
  const { words } = help(key);
  const most = 9;
  return words.length > 1 && words.length <= most ? words : [];
}

/** A value as it is typed: words need no quotes. @param {unknown} value */
const typed = (value) =>
  value === null || value === undefined ? '' : typeof value === 'string' ? value : JSON.stringify(value);

export class NodePanel {
  #session;
  /** @type {{path: string, settings: Setting[], chain: Step[], account: string} | null} */
  #answer = null;
  #fault = '';
  #openAccount = false;

  #sketches;

  /** @param {import('./session.js').Session} session @param {import('./sketches.js').Sketches} sketches */
  constructor(session, sketches) {
    this.#session = session;
    this.#sketches = sketches;
    session.on('selected', () => {
      this.#fault = '';
      this.#answer = null;
      this.#session.settings = [];
      this.#write();
      this.#ask();
    });
    session.on('size', () => this.#writeSize());
    session.on('rest', () => this.#ask());
    this.#write();
  }

  async #ask() {
    const { selected } = this.#session;
    if (!selected) return;
    const at = [...this.#session.at(), ...this.#session.scrolledAround(selected)];
    try {
      const answer = await this.#session.answers('node', 'explain', [selected, ...at, '--to-root']);
      if (!answer) return;
      const account = await this.#session.ask('account', 'explain', [selected, ...at]);
      if (!account || selected !== this.#session.selected) return;
      this.#answer = { path: selected, settings: answer.settings, chain: answer.chain, account: account.out };
      this.#session.settings = answer.settings;
      this.#session.tell('settings');
      this.#write();
    } catch (error) {
      // At this size it is hidden: the program says so.
      this.#answer = {
        path: selected,
        settings: [],
        chain: [],
        account: messageOf(error),
      };
      this.#write();
    }
  }

  #writeSize() {
    const line = inside('node').querySelector('.size');
    if (line) line.textContent = this.#size();
  }
  #size() {
    const { selected } = this.#session;
    const box = this.#session.box(selected);
    const kind = this.#session.node(selected)?.kind;
    return box ? `${kind}, ${sized(box)} at ${rounded(box.x)}, ${rounded(box.y)}` : `${kind}, hidden at this size`;
  }

  #write() {
    const node = this.#session.node(this.#session.selected);
    namePanel('node', node ? `Selected: ${node.tail}` : 'Selected node');
    if (!node) {
      refill(
        inside('node'),
        make(
          'p',
          {},
          'Click a node in the picture or in the tree. Its size, the reason for it and its settings appear here, and its curves below the picture.',
        ),
      );
      return;
    }
    /** @type {Node[]} */
    const parts = [make('p', { className: 'size' }, this.#size())];
    if (this.#answer?.path === node.path)
      parts.push(
        this.#why(this.#answer.chain),
        this.#account(this.#answer.account),
        ...this.#settings(this.#answer.settings),
      );
    refill(inside('node'), ...parts);
  }

  /** From the container down. @param {Step[]} chain */
  #why(chain) {
    const rows = chain.map((step) =>
      make(
        'tr',
        {},
        make('th', { scope: 'row' }, nodeLink(this.#session, step.node)),
        make('td', { className: 'number' }, rounded(step.width)),
        make('td', {}, ...linked(this.#session, step.why_width)),
        make('td', { className: 'number' }, rounded(step.height)),
        make('td', {}, ...linked(this.#session, step.why_height)),
      ),
    );
    if (rows.length === 0) return make('div');
    rows.reverse(); // the node itself first
    const head = make(
      'tr',
      {},
      ...['', 'width', 'why', 'height', 'why'].map((text) => make('th', { scope: 'col' }, text)),
    );
    return make(
      'div',
      { className: 'wide' },
      make('table', { className: 'why' }, make('thead', {}, head), make('tbody', {}, ...rows)),
    );
  }

  /** @param {string} account */
  #account(account) {
    const details = make(
      'details',
      { open: this.#openAccount },
      make('summary', { 'data-key': 'account' }, 'Calculation'),
      make('pre', {}, ...linked(this.#session, account)),
    );
    details.addEventListener('toggle', () => (this.#openAccount = details.open));
    return details;
  }

  /** @param {Setting[]} settings */
  #settings(settings) {
    if (settings.length === 0) return [];
    const explicit = settings.filter(({ key, source }) => source !== 'default' && !unsettable.has(key));
    const unset = settings.filter(({ key, source }) => source === 'default' && !unsettable.has(key));
    const rows = explicit.map((setting) =>
      make(
        'tr',
        {},
        make('th', { scope: 'row', title: help(setting.key).about }, setting.key),
        make(
          'td',
          {},
          this.#field(setting.key, typed(setting.value)),
          ...this.#seeing(setting.key, typed(setting.value)),
        ),
        make(
          'td',
          {},
          `${setting.source} ${setting.name ?? ''}`,
          ...(setting.has_effect === false ? [make('span', { className: 'quiet' }, ' does nothing here')] : []),
        ),
      ),
    );
    const table = make(
      'table',
      { className: 'settings' },
      make(
        'thead',
        {},
        make('tr', {}, ...['setting', 'value', 'from'].map((text) => make('th', { scope: 'col' }, text))),
      ),
      make('tbody', {}, ...rows),
    );
    const fault = make('p', { className: 'fault', role: 'alert' }, this.#fault);
    return [...(rows.length > 0 ? [table] : []), this.#another(unset), fault];
  }

  /** A field for the value of a key. @param {string} key @param {string} value */
  #field(key, value) {
    const { about, words } = help(key);
    const id = `fl-words-${key}`;
    const field = make('input', {
      value,
      size: Math.max(6, Math.min(26, value.length + 2)),
      title: about,
      'aria-label': key,
      'data-key': `set ${key}`,
      list: id,
    });
    const set = () => {
      if (field.value.trim() !== value) this.#try(key, field.value.trim());
    };
    const form = make(
      'form',
      {
        autocomplete: 'off',
        onsubmit: (/** @type {Event} */ event) => {
          event.preventDefault();
          set();
        },
      },
      field,
      make('datalist', { id }, ...words.map((word) => make('option', { value: word }))),
    );
    return form;
  }

  /** The key whose words are shown side by side. */
  #seen = '';
  /** Its words as pictures, for a setting of few words: a button for them, and they. @param {string} key @param {string} now */
  #seeing(key, now) {
    const words = fewWords(key);
    if (words.length === 0) return [];
    const open = this.#seen === key;
    const button = make(
      'button',
      {
        type: 'button',
        className: 'quiet',
        'aria-expanded': String(open),
        'data-key': `see ${key}`,
        onclick: () => {
          this.#seen = open ? '' : key;
          this.#write();
        },
      },
      open ? 'no pictures' : 'pictures',
    );
    return [
      button,
      ...(open ? [wordChoices(this.#session, this.#sketches, key, words, now, (word) => this.#try(key, word))] : []),
    ];
  }

  /** A setting that the node does not say. @param {Setting[]} unset */
  #another(unset) {
    const choice = make(
      'select',
      { 'aria-label': 'another setting', 'data-key': 'another' },
      make('option', { value: '' }, 'another setting …'),
      ...unset.map(({ key }) => make('option', { value: key }, key)),
    );
    const place = make('span');
    const about = make('p', { className: 'quiet' });
    choice.addEventListener('change', () => {
      const { key, value } = unset.find((one) => one.key === choice.value) ?? { key: '', value: null };
      const known = help(key);
      const otherwise = value === null || typeof value === 'object' ? '' : `; default: ${typed(value)}`;
      about.textContent = key
        ? `${known.about}${known.words.length > 0 ? ` (${known.words.join(', ')})` : ''}${otherwise}`
        : '';
      const words = fewWords(key);
      const few =
        words.length > 0
          ? [wordChoices(this.#session, this.#sketches, key, words, typed(value), (word) => this.#try(key, word))]
          : [];
      place.replaceChildren(...(key ? [this.#field(key, ''), ...few] : []));
      place.querySelector('input')?.focus();
    });
    return make('div', { className: 'another' }, choice, ' ', place, about);
  }

  /** @param {string} key @param {string} value */
  async #try(key, value) {
    this.#fault = '';
    const { selected } = this.#session;
    try {
      await this.#session.apply('set', `${selected}.${key}=${value || 'null'}`);
    } catch (error) {
      this.#fault = messageOf(error);
      this.#write();
    }
  }
}
