// SPDX-License-Identifier: MIT
// @ts-check
// What is tried: the list, as options of the program, to take back, copy or save.

import { find, inside, make, messageOf, namePanel, refill } from './dom.js';

const takes = /** @type {Record<string, string>} */ ({
  set: 'beds.width=300',
  move: 'legend=bar:1',
  group: 'oak,fern=row:pair',
  remove: 'legend',
  insert: 'bar:1={"kind": "box", "name": "lamp", "width": 20}',
  ungroup: 'body',
  duplicate: 'oak=ash',
});

export class Changes {
  #session;
  #does = make(
    'select',
    { 'aria-label': 'What to do', 'data-key': 'does' },
    ...Object.keys(takes).map((does) => make('option', {}, does)),
  );
  #what = make('input', { size: 24, placeholder: takes.set, 'aria-label': 'With what', 'data-key': 'what' });
  #fault = make('p', { className: 'fault', role: 'alert' });

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('scene file', () => this.#write());
    this.#does.addEventListener('change', () => (this.#what.placeholder = takes[this.#does.value]));
    addEventListener('keydown', (event) => {
      if (
        !(event.ctrlKey || event.metaKey) ||
        event.key.toLowerCase() !== 'z' ||
        event.target instanceof HTMLInputElement
      )
        return;
      event.preventDefault();
      this.#quietly(event.shiftKey ? session.redo() : session.undo());
    });
  }

  /** @param {Promise<void>} does */
  async #quietly(does) {
    this.#fault.textContent = '';
    try {
      await does;
    } catch (error) {
      this.#fault.textContent = messageOf(error);
      return false;
    }
    return true;
  }

  #write() {
    const { changes, hints } = this.#session.scene;
    namePanel('changes', `Changes: ${changes.length || 'none, this is the file'}`);
    const form = make(
      'form',
      { autocomplete: 'off', onsubmit: (/** @type {Event} */ event) => this.#submit(event) },
      this.#does,
      ' ',
      this.#what,
      ' ',
      make('button', {}, 'Try'),
    );
    const list = make(
      'ol',
      { className: 'changes' },
      ...changes.map((one) => make('li', {}, make('code', {}, one.option))),
    );
    const button = (/** @type {string} */ text, /** @type {() => void} */ does, disabled = false) =>
      make('button', { type: 'button', disabled, onclick: does, 'data-key': text }, text);
    const options = this.#options();
    const saved = this.#session.textToSave();
    refill(
      inside('changes'),
      form,
      this.#fault,
      list,
      ...hints.map((hint) => make('p', { className: 'quiet' }, hint)),
      make(
        'p',
        {},
        button('Undo', () => this.#quietly(this.#session.undo()), changes.length === 0),
        ' ',
        button('Redo', () => this.#quietly(this.#session.redo()), !this.#session.canRedo),
        ' ',
        button('Copy as CLI options', () => this.#copy(), !options),
        ' ',
        button('Download scene', () => this.#save()),
        ...this.#writing(button, saved),
      ),
      ...this.#tidying(saved),
      make('output', { className: 'quiet', id: 'fl-copied' }),
    );
  }

  /** A button for the file itself, where it may be written. @param {(text: string, does: () => void, disabled?: boolean) => Node} button @param {{text: string}} saved */
  #writing(button, saved) {
    const { write } = this.#session;
    const isThere = this.#session.isInFile(saved.text);
    return write ? [' ', button('Save', () => this.#quietly(write()), isThere)] : [];
  }

  /** Where the text has comments that a tidy one has not, it is asked which is to be saved. @param {{losesComments: boolean}} saved */
  #tidying({ losesComments }) {
    const session = this.#session;
    if (!losesComments) return [];
    const tidy = make('input', { type: 'checkbox', checked: session.savesTidy, 'data-key': 'tidy' });
    tidy.addEventListener('change', () => {
      session.savesTidy = tidy.checked;
      this.#write();
    });
    const words = tidy.checked ? ' saved tidy: its comments are lost' : ' save it tidy, without its comments';
    return [make('p', {}, make('label', { className: tidy.checked ? 'bad' : '' }, tidy, words))];
  }

  /** Quoted for a shell, as the program writes them. */
  #options() {
    return this.#session.scene.changes.map((one) => one.option).join(' ');
  }

  async #copy() {
    const options = this.#options();
    try {
      await navigator.clipboard.writeText(options);
      find('copied').textContent = 'Copied.';
    } catch {
      find('copied').textContent = `The browser does not let the page copy; here they are: ${options}`;
    }
  }

  #save() {
    const { text } = this.#session.textToSave();
    const url = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
    const name = this.#session.file.split('/').at(-1) ?? '';
    make('a', { href: url, download: name.endsWith('.json') ? name : 'changed.scene.json' }).click();
    setTimeout(() => URL.revokeObjectURL(url), 1000);
  }

  /** @param {Event} event */
  async #submit(event) {
    event.preventDefault();
    const what = this.#what.value.trim();
    if (what && (await this.#quietly(this.#session.apply(this.#does.value, what)))) this.#what.value = '';
  }
}
