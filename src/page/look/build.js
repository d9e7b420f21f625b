// SPDX-License-Identifier: MIT
// @ts-check
// Building: nodes are put in, named, turned into another kind, gathered, taken apart, put in front. What is done is told
// by actions.js; here are its buttons and fields.

import { actions, gather, gatherRefusal, isContainer, kinds, newName, putIn, putPlace } from './actions.js';
import { find, inside, make, messageOf, namePanel, refill } from './dom.js';
import { containerOf } from './session.js';

const containers = kinds.filter(isContainer);

export class Build {
  #session;
  #fault = make('p', { className: 'fault', role: 'alert' });
  /** What was typed or chosen here last, so that it is there again. */
  #what = 'box';
  #name = '';
  #words = '';
  #into = 'column';
  #gatherName = '';

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('scene nodes selected', () => this.#write());
    let first = true;
    session.on('scene', () => {
      if (first) /** @type {HTMLDetailsElement} */ (find('build')).open = session.scene.nodes.length === 1;
      first = false;
    });
  }

  /** Opens the panel, and leads to one of its fields. @param {string} key */
  lead(key) {
    /** @type {HTMLDetailsElement} */ (find('build')).open = true;
    const field = inside('build').querySelector(`[data-key="${key}"]`);
    if (field instanceof HTMLElement) field.focus();
    if (field instanceof HTMLInputElement) field.select();
  }

  /** @param {() => Promise<void>} does */
  async #quietly(does) {
    this.#fault.textContent = '';
    try {
      await does();
      return true;
    } catch (error) {
      this.#fault.textContent = messageOf(error);
      return false;
    }
  }

  #write() {
    const { chosen, scene } = this.#session;
    if (scene.nodes.length === 0) return;
    const tails = chosen.map((path) => this.#session.node(path)?.tail ?? path);
    const where =
      tails.length === 0 ? 'nothing is selected' : tails.length > 3 ? `${tails.length} selected` : tails.join(', ');
    namePanel('build', `Insert: ${where}`);
    refill(
      inside('build'),
      this.#putting(),
      this.#chosen(),
      this.#gathering(),
      this.#kindAndName(),
      this.#buttons(),
      this.#fault,
    );
  }

  /** @param {string} label @param {Element} field */
  #labelled(label, field) {
    return make('label', {}, `${label} `, field);
  }

  #putting() {
    const { parts } = this.#session.scene;
    if (this.#what.startsWith('part ') && !parts.includes(this.#what.slice(5))) this.#what = 'box';
    const to = putPlace(this.#session);
    const suggested = () => newName(this.#session, this.#what.replace('part ', ''));
    const what = make(
      'select',
      { 'data-key': 'put', 'aria-label': 'What to put in' },
      ...kinds.map((kind) => make('option', { value: kind, selected: kind === this.#what }, kind)),
      ...parts.map((part) =>
        make('option', { value: `part ${part}`, selected: `part ${part}` === this.#what }, `part ${part}`),
      ),
    );
    const name = make('input', { size: 9, value: this.#name || suggested(), 'data-key': 'put name' });
    const words = make('input', { size: 14, value: this.#words, placeholder: 'Words', 'data-key': 'put words' });
    const textField = this.#labelled('Text', words);
    textField.hidden = this.#what !== 'text';
    what.addEventListener('change', () => {
      this.#what = what.value;
      this.#name = '';
      name.value = suggested();
      textField.hidden = this.#what !== 'text';
    });
    name.addEventListener('input', () => (this.#name = name.value.trim()));
    words.addEventListener('input', () => (this.#words = words.value));
    const put = async () => {
      const part = this.#what.startsWith('part ') ? this.#what.slice(5) : '';
      const wanted = { kind: part ? '' : this.#what, part, name: name.value.trim(), words: this.#words };
      const done = await this.#quietly(() => putIn(this.#session, wanted));
      if (!done) return;
      [this.#name, this.#words] = ['', ''];
      this.#write();
    };
    return make(
      'form',
      { autocomplete: 'off', onsubmit: (/** @type {Event} */ event) => (event.preventDefault(), put()) },
      make('button', { 'data-key': 'insert', disabled: to === null }, 'Insert'),
      ' a ',
      what,
      ' ',
      this.#labelled('called', name),
      textField,
      make('span', { className: 'quiet' }, to?.words ?? ''),
    );
  }

  #chosen() {
    const several = make('input', { type: 'checkbox', checked: this.#session.choosesMore, 'data-key': 'several' });
    several.addEventListener('change', () => (this.#session.choosesMore = several.checked));
    const none = make(
      'button',
      {
        type: 'button',
        className: 'quiet',
        disabled: this.#session.chosen.length === 0,
        onclick: () => this.#session.select(''),
        'data-key': 'none',
      },
      'Clear selection',
    );
    return make('p', {}, make('label', {}, several, ' Select several'), ' ', none);
  }

  #gathering() {
    const why = gatherRefusal(this.#session);
    const into = make(
      'select',
      { 'data-key': 'gather kind', 'aria-label': 'In what to gather' },
      ...containers.map((kind) => make('option', { value: kind, selected: kind === this.#into }, kind)),
    );
    const name = make('input', {
      size: 9,
      value: this.#gatherName || newName(this.#session, this.#into),
      'data-key': 'gather name',
    });
    into.addEventListener('change', () => {
      this.#into = into.value;
      if (!this.#gatherName) name.value = newName(this.#session, this.#into);
    });
    name.addEventListener('input', () => (this.#gatherName = name.value.trim()));
    const does = async () => {
      if (await this.#quietly(() => gather(this.#session, this.#into, name.value.trim()))) this.#gatherName = '';
      this.#write();
    };
    return make(
      'form',
      { autocomplete: 'off', onsubmit: (/** @type {Event} */ event) => (event.preventDefault(), does()) },
      make('button', { disabled: why !== '', title: why, 'data-key': 'group' }, 'Group'),
      ' in a ',
      into,
      ' ',
      this.#labelled('called', name),
    );
  }

  #kindAndName() {
    const node = this.#session.node(this.#session.selected);
    if (!node) return make('p', {});
    const holds = this.#session.childrenOf(node.path).length > 0;
    const choices = kinds.filter((kind) => isContainer(kind) || !holds);
    const kind = make(
      'select',
      { 'data-key': 'kind' },
      ...choices.map((one) => make('option', { value: one, selected: one === node.kind }, one)),
    );
    const set = (/** @type {string} */ key, /** @type {string} */ value) =>
      this.#quietly(() => this.#session.apply('set', `${node.path}.${key}=${value}`));
    kind.addEventListener('change', () => set('kind', kind.value));
    const written = node.step.includes('#') ? '' : node.step;
    const name = make('input', { size: 9, value: written, placeholder: 'no name', 'data-key': 'name' });
    const rename = async () => {
      const typed = name.value.trim();
      if (typed === written) return;
      const above = containerOf(node.path);
      if (await set('name', typed || 'null')) this.#session.chooseAll([above ? `${above}/${typed}` : typed]);
    };
    name.addEventListener('change', rename);
    return make(
      'form',
      { autocomplete: 'off', onsubmit: (/** @type {Event} */ event) => (event.preventDefault(), rename()) },
      this.#labelled('It is a', kind),
      this.#labelled('called', name),
    );
  }

  #buttons() {
    const session = this.#session;
    const buttons = actions.map((action) => {
      const why = action.refusal(session);
      return make(
        'button',
        {
          type: 'button',
          disabled: why !== '',
          title: why || `${action.about} (${action.key})`,
          onclick: () => this.#quietly(() => action.does(session)),
          'data-key': action.name,
        },
        action.name,
      );
    });
    return make('p', { className: 'actions' }, ...buttons);
  }
}
