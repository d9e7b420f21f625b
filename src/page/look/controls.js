// SPDX-License-Identifier: MIT
// @ts-check
// The size in numbers, the form of the scene, and the line that says how it stands.

import { carryingKeys } from './carrying.js';
import { find, inside, make, messageOf, refill } from './dom.js';
import { anyTrouble, flag, troubles } from './engine.js';
import { counted, few, rounded, sized } from './numbers.js';
import { stepOf } from './picture.js';
import { actingKeys } from './tree.js';

/** @param {import('./session.js').Session} session @param {import('./picture.js').Hand} hand */
export function controlSize(session, hand) {
  const width = /** @type {HTMLInputElement} */ (find('width'));
  const height = /** @type {HTMLInputElement} */ (find('height'));
  const content = /** @type {HTMLInputElement} */ (find('content'));
  const show = () => {
    if (document.activeElement !== width) width.value = rounded(session.size.width);
    if (document.activeElement !== height) height.value = rounded(session.height);
    content.checked = session.size.height === null;
    find('command').textContent = session.command('measure');
  };
  session.on('size', show);
  const set = (/** @type {Event} */ event) => {
    event.preventDefault();
    const [wide, high] = [Number(width.value.replace(',', '.')), Number(height.value.replace(',', '.'))];
    const wrong = !(wide >= 0) ? width : !(high >= 0) ? height : null;
    for (const field of [width, height]) field.ariaInvalid = String(field === wrong);
    if (wrong || width.value.trim() === '') {
      session.say(`A ${wrong === height ? 'height' : 'width'} is a number of pixels from 0 on, as in 640.`);
      return;
    }
    const kept = content.checked && high === Number(rounded(session.height));
    try {
      session.resize(wide, kept || height.value.trim() === '' ? null : high);
    } catch (error) {
      session.say(messageOf(error));
    }
    width.value = rounded(session.size.width);
    height.value = rounded(session.height);
  };
  find('size').addEventListener('submit', set);
  for (const field of [width, height]) {
    field.addEventListener('change', set);
    field.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      if (!step || step.y === 0) return;
      event.preventDefault();
      const { size } = hand;
      if (field === width) hand.resize(size.width - step.y, size.height);
      else hand.resize(size.width, (size.height ?? session.height) - step.y);
      field.value = rounded((field === width ? size.width : (size.height ?? session.height)) - step.y);
    });
  }
  content.addEventListener('change', () => session.resize(session.size.width, content.checked ? null : session.height));
  // Arrow keys move the right and the lower edge wherever no field wants them.
  addEventListener('keydown', (event) => {
    const step = stepOf(event);
    const taken =
      event.target instanceof Element && event.target.closest('input, select, textarea, [role=tree], summary');
    if (!step || taken || event.defaultPrevented) return;
    event.preventDefault();
    const { size } = hand;
    hand.resize(size.width + step.x, step.y ? (size.height ?? session.height) + step.y : size.height);
  });
}

/** How the text of the scene is measured, if in fonts. @param {import('./engine.js').Scene} scene */
function aboutWords({ words, nodes }) {
  if (words.in !== 'fonts') return [];
  const { families, plain } = words;
  const tails = plain.map((path) => nodes.find((node) => node.path === path)?.tail ?? path);
  const parts = [];
  if (families.length > 0)
    parts.push(
      `Text is as wide as in ${few(families)} on the machine that made this page; letters are fitted to that.`,
    );
  if (tails.length > 0)
    parts.push(
      `In fixed metrics, since not measured there: ${few(tails)}. ${tails.length === 1 ? 'Its sizes' : 'Their sizes'} in fonts may differ.`,
    );
  return [make('p', { className: 'quiet', id: 'fl-words' }, parts.join(' '))];
}

/** @param {import('./session.js').Session} session */
export function controlForm(session) {
  const quietly = (/** @type {Promise<void>} */ done) => done.catch((error) => session.say(error.message));
  session.on('scene', () => {
    const { modes, locales, direction } = session.scene;
    /** @type {Node[]} */
    const parts = modes.map((mode) => {
      const box = make('input', {
        type: 'checkbox',
        checked: session.modes.includes(mode),
        'data-key': `mode ${mode}`,
      });
      box.addEventListener('change', () =>
        quietly(
          session.setForm({
            modes: box.checked ? [...session.modes, mode] : session.modes.filter((one) => one !== mode),
          }),
        ),
      );
      return make('label', {}, box, ` ${mode}`);
    });
    if (locales.length > 0) {
      const choice = make(
        'select',
        { 'data-key': 'locale' },
        make('option', { value: '' }, 'of the scene'),
        ...locales.map((name) => make('option', { value: name, selected: name === session.locale }, name)),
      );
      choice.addEventListener('change', () => quietly(session.setForm({ locale: choice.value })));
      parts.push(make('label', {}, 'texts ', choice));
    }
    if (session.scene.words.carried) {
      const measured = session.scene.words.in;
      const choice = make(
        'select',
        { 'data-key': 'words' },
        ...['fixed', 'fonts'].map((name) => make('option', { value: name, selected: name === measured }, name)),
      );
      choice.addEventListener('change', () => quietly(session.setForm({ words: choice.value })));
      parts.push(make('label', {}, 'text metrics ', choice));
    }
    const longer = make('input', {
      value: session.percent ? String(session.percent) : '',
      size: 3,
      inputMode: 'decimal',
      placeholder: '0',
      'data-key': 'longer',
    });
    longer.addEventListener('change', () => {
      const percent = Number(longer.value.replace('%', ''));
      if (percent >= 0) quietly(session.setForm({ percent }));
      else session.say('Texts get longer by a share from 0 on, as in 40.');
    });
    parts.push(make('label', {}, 'longer by ', longer, ' %'));
    const ways = make(
      'select',
      { 'data-key': 'direction' },
      ...['ltr', 'rtl'].map((way) =>
        make('option', { value: way, selected: way === direction }, way === 'ltr' ? 'left to right' : 'right to left'),
      ),
    );
    ways.addEventListener('change', () => quietly(session.apply('set', `direction=${ways.value}`)));
    parts.push(make('label', {}, 'Direction ', ways));
    refill(find('forms'), ...parts, ...aboutWords(session.scene));
  });
}

/** @param {import('./session.js').Session} session */
export function tellStatus(session) {
  const line = find('status');
  const tell = () => {
    const { flags, scene } = session;
    const bad = flags.filter((one) => one & anyTrouble);
    const parts = troubles
      .map(([name, word]) => ({ word, count: bad.filter((one) => one & flag[name]).length }))
      .filter(({ count }) => count > 0);
    const standing =
      parts.length > 0
        ? parts.map(({ word, count }) => `${count} ${word}`).join(', ')
        : 'nothing overhangs, is squeezed or is invisible';
    const active = session.active.length > 0 ? `; in force: ${session.active.join(', ')}` : '';
    const places = session.became(anyTrouble);
    const became = troubles
      .map(([name, word]) => ({
        word,
        names: places
          .filter((place) => flags[place] & ~session.before[place] & flag[name])
          .map((place) => scene.nodes[place].tail),
      }))
      .filter(({ names }) => names.length > 0)
      .map(({ word, names }) => `now ${word}: ${few(names)}`);
    line.textContent = `${sized(session.container)}: ${standing}${active}${became.length > 0 ? ` — ${became.join('; ')}` : ''}`;
    line.classList.toggle('bad', became.length > 0);
  };
  let hasMessage = false; // a message stands until the next move
  session.on('size', () => {
    hasMessage = false;
    tell();
  });
  session.on('rest', () => {
    if (!hasMessage) tell();
  });
  session.on('status', () => {
    hasMessage = true;
    line.textContent = session.status;
    line.classList.remove('bad');
  });
  session.on('faults', () => {
    if (session.faults && session.scene.nodes.length === 0) session.say('It is shown here when it is mended.');
    const faults = find('faults');
    faults.hidden = session.faults === '';
    const lines = session.faults.split('\n');
    faults.replaceChildren(
      ...(session.faults
        ? [
            make(
              'strong',
              {},
              `The file is wrong (${counted(lines.length, 'fault')})${session.scene.nodes.length > 0 ? '; this is how it was before' : ''}.`,
            ),
            make('ul', {}, ...lines.map((text) => make('li', {}, text))),
          ]
        : []),
    );
  });
  session.on('scene', () => {
    if (!session.scene.name) return;
    document.title = session.scene.name;
    find('title').textContent = session.scene.name;
  });
}

/** All that keys do on the page, in one place. */
export function listKeys() {
  const keys = [
    ['← → ↑ ↓', 'on an edge, the cursor or the map: the container by 1, with Shift by 10'],
    ['← → ↑ ↓', 'on a handle of the selected node: its setting by 1, with Shift by 10'],
    ['Escape', 'puts back what the hand pulls or carries'],
    ['↑ ↓ ← →', 'in the tree: the line before or after, the container, its first child'],
    ...carryingKeys,
    ...actingKeys,
    ['Ctrl+Z', 'takes the last change back; with Shift makes it again'],
  ];
  const rows = keys.map(([key, does]) => make('tr', {}, make('th', { scope: 'row' }, key), make('td', {}, does)));
  refill(inside('keys'), make('table', { className: 'keys' }, make('tbody', {}, ...rows)));
}
