// SPDX-License-Identifier: MIT
// @ts-check
// What a hand does with the nodes that are chosen, each with a name and a key. Buttons, keys and the list of keys are
// made from here; every action is changes that the program knows.

import { containerOf } from './session.js';

/**
 * @typedef {import('./session.js').Session} Session
 *
 * @typedef {object} Action
 * @property {string} name
 * @property {string} key  in the nesting
 * @property {string} about  for the list of keys
 * @property {(session: Session) => string} refusal  why it cannot be done now, or nothing
 * @property {(session: Session) => Promise<void>} does
 */

/** @param {string} kind */
export const isContainer = (kind) => ['row', 'column', 'stack', 'grid'].includes(kind);

/** A name that nothing in the scene has. @param {Session} session @param {string} base @param {string[]} [taken] */
export function newName(session, base, taken = []) {
  const letters = base.replace(/[^\w-]/g, '').replace(/^[^a-z]+/i, '');
  const used = new Set([...session.scene.nodes.map(({ step }) => step), ...taken]);
  const stem = letters.replace(/\d+$/, '') || 'node';
  if (!used.has(letters) && letters) return letters;
  let number = 2;
  while (used.has(`${stem}${number}`)) number += 1;
  return `${stem}${number}`;
}

/** @param {Session} session */
function noneChosen({ chosen }) {
  if (chosen.length === 0) return 'nothing is selected';
  return chosen.some((path) => !path.includes('/')) ? 'the root stays where it is' : '';
}

/** @param {Session} session */
async function duplicate(session) {
  const tops = session.chosenTops;
  /** @type {string[]} */
  const names = [];
  for (const path of tops) {
    const step = session.node(path)?.step ?? '';
    const named = !step.includes('#');
    names.push(named ? newName(session, step.replace(/\[\d+\]$/, ''), names) : '');
  }
  // The last one first: those ahead of it keep their places.
  const changes = tops.map((path, i) => ({ does: 'duplicate', what: names[i] ? `${path}=${names[i]}` : path }));
  await session.applyAll(changes.reverse());
  session.chooseAll(tops.map((path, i) => `${containerOf(path)}/${names[i]}`));
}

/** Moves all that is chosen, which are siblings, to one end of what is painted. @param {Session} session @param {boolean} front */
async function paintLast(session, front) {
  const tops = session.chosenTops;
  const container = containerOf(tops[0]);
  const backward = session.node(container)?.backward ?? false;
  const others = session.childrenOf(container).length - tops.length;
  await session.carry(tops, container, front !== backward ? others : 0, tops);
}

/** @param {Session} session */
function noSiblings(session) {
  const why = noneChosen(session);
  if (why) return why;
  const parents = new Set(session.chosenTops.map(containerOf));
  if (parents.size > 1) return 'they are in different containers';
  return session.childrenOf([...parents][0]).length < 2 ? 'nothing stands beside it' : '';
}

/** Moves what is chosen, siblings, one place among the others. @param {Session} session @param {number} by */
async function step(session, by) {
  const tops = session.chosenTops;
  const container = containerOf(tops[0]);
  const siblings = session.childrenOf(container).map(({ path }) => path);
  const others = siblings.filter((path) => !tops.includes(path));
  // Behind the others that are ahead of the first of them, or of the last.
  const from = by < 0 ? tops[0] : /** @type {string} */ (tops.at(-1));
  const ahead = siblings.slice(0, siblings.indexOf(from)).filter((path) => !tops.includes(path)).length;
  await session.carry(tops, container, Math.min(others.length, Math.max(0, ahead + by)), tops);
}

/** @type {Action[]} */
export const actions = [
  {
    name: 'Earlier',
    key: 'e',
    about: 'it comes one place earlier among its siblings',
    refusal: noSiblings,
    does: (session) => step(session, -1),
  },
  {
    name: 'Later',
    key: 'l',
    about: 'it comes one place later among its siblings',
    refusal: noSiblings,
    does: (session) => step(session, 1),
  },
  {
    name: 'Duplicate',
    key: 'd',
    about: 'copies each selected node and inserts the copy after it',
    refusal: noneChosen,
    does: duplicate,
  },
  {
    name: 'Ungroup',
    key: 't',
    about: 'removes the container and keeps its children in its place',
    refusal(session) {
      const { selected } = session;
      if (session.chosen.length !== 1)
        return session.chosen.length > 1 ? 'select one container' : 'nothing is selected';
      if (!selected.includes('/')) return 'the root holds all the others';
      return session.childrenOf(selected).length === 0 ? 'it has no children' : '';
    },
    async does(session) {
      const { selected } = session;
      const inside = session.childrenOf(selected).map(({ step }) => `${containerOf(selected)}/${step}`);
      await session.apply('ungroup', selected);
      session.chooseAll(inside);
    },
  },
  {
    name: 'Remove',
    key: 'Delete',
    about: 'removes the selected nodes',
    refusal: noneChosen,
    async does(session) {
      const tops = session.chosenTops;
      await session.apply('remove', tops.join(','));
      session.chooseAll([containerOf(tops[0])]);
    },
  },
  {
    name: 'To the front',
    key: 'f',
    about: 'moves it over its siblings: it becomes the last of them, or the first where the first is on top',
    refusal: noSiblings,
    does: (session) => paintLast(session, true),
  },
  {
    name: 'To the back',
    key: 'b',
    about: 'moves it under its siblings',
    refusal: noSiblings,
    does: (session) => paintLast(session, false),
  },
];

/** Where what is put in goes, and how that is said: into the selected container, or behind the selected leaf. @param {Session} session */
export function putPlace(session) {
  const { nodes } = session.scene;
  const node = session.node(session.selected) ?? nodes[0];
  if (!node) return null;
  if (isContainer(node.kind)) {
    return { container: node.path, place: session.childrenOf(node.path).length, words: `into ${node.tail}` };
  }
  const container = nodes[node.parent];
  if (!container) return null;
  const place = session.childrenOf(container.path).findIndex(({ path }) => path === node.path) + 1;
  return { container: container.path, place, words: `after ${node.tail}` };
}

/** What each kind says when it is put in, beside its name. @type {Record<string, Record<string, unknown>>} */
const begins = {
  box: { natural_size: [80, 40] },
  text: { text: 'Words' },
  image: { natural_size: [120, 80] },
  row: { gap: 8 },
  column: { gap: 8 },
  stack: {},
  grid: { columns: 2, gap: 8 },
};
export const kinds = Object.keys(begins);

/**
 * Puts a node in, and selects it.
 * @param {Session} session
 * @param {{kind: string, part: string, name: string, words: string}} wanted  a kind, or a part; the words of a text
 */
export async function putIn(session, { kind, part, name, words }) {
  const to = putPlace(session);
  if (!to) return;
  const { text, ...others } = begins[kind] ?? {};
  const node = {
    ...(part ? { part } : { kind }),
    ...(name ? { name } : {}),
    ...(text ? { text: words || text } : {}),
    ...others,
  };
  const members = Object.entries(node).map(
    ([key, value]) => `"${key}": ${Array.isArray(value) ? `[${value.join(', ')}]` : JSON.stringify(value)}`,
  );
  const json = `{ ${members.join(', ')} }`;
  await session.apply('insert', `${to.container}:${to.place}=${json}`);
  const step = name || session.childrenOf(to.container)[to.place]?.step;
  if (step) session.select(`${to.container}/${step}`);
}

/** Gathers what is chosen, siblings, in a container of their own, and selects it. @param {Session} session @param {string} kind @param {string} name */
export async function gather(session, kind, name) {
  const tops = session.chosenTops;
  const container = containerOf(tops[0]);
  const place = session.childrenOf(container).findIndex(({ path }) => path === tops[0]);
  await session.apply('group', `${tops.join(',')}=${kind}${name ? `:${name}` : ''}`);
  const step = name || session.childrenOf(container)[place]?.step;
  if (step) session.select(`${container}/${step}`);
}

/** Why what is chosen cannot be gathered, or nothing. @param {Session} session */
export function gatherRefusal(session) {
  const why = noneChosen(session);
  if (why) return why;
  return new Set(session.chosenTops.map(containerOf)).size > 1
    ? 'they are in different containers; carry one first'
    : '';
}
