// SPDX-License-Identifier: MIT
// @ts-check
// What keys do with a node in the nesting: carry it among its siblings, into the container before it and out of its own.
// The same moves as a hand makes, told in one list.

import { messageOf } from './dom.js';

/** @typedef {import('./session.js').Session} Session */

/** What each key does, for the list of keys. */
export const carryingKeys = [
  ['Alt+↑ Alt+↓', 'the node comes one place earlier or later among its siblings'],
  ['Alt+→', 'it goes into the container before it, as the last one there'],
  ['Alt+←', 'it leaves its container, and stands behind it'],
];

/** The places of the children of a node. @param {Session} session @param {number} parent */
function childrenOf(session, parent) {
  return session.scene.nodes.map((node, place) => ({ node, place })).filter(({ node }) => node.parent === parent);
}

/**
 * Where a key carries a node: into which container, at which place; nothing where it cannot.
 * @param {Session} session
 * @param {number} place of the node
 * @param {string} key
 */
function destination(session, place, key) {
  const { nodes } = session.scene;
  const { parent } = nodes[place];
  if (parent < 0) return null;
  const siblings = childrenOf(session, parent);
  const now = siblings.findIndex((one) => one.place === place);
  const before = siblings[now - 1];
  switch (key) {
    case 'ArrowUp':
      return now > 0 ? { container: parent, place: now - 1 } : null;
    case 'ArrowDown':
      return now < siblings.length - 1 ? { container: parent, place: now + 1 } : null;
    case 'ArrowRight':
      return before && ['row', 'column', 'stack', 'grid'].includes(before.node.kind)
        ? { container: before.place, place: childrenOf(session, before.place).length }
        : null;
    case 'ArrowLeft': {
      const above = nodes[parent].parent;
      if (above < 0) return null;
      return { container: above, place: childrenOf(session, above).findIndex((one) => one.place === parent) + 1 };
    }
    default:
      return null;
  }
}

/**
 * Does what a key asks of a node. Returns whether it is one of these keys.
 * @param {Session} session
 * @param {number} place of the node
 * @param {KeyboardEvent} event
 */
export function carryByKey(session, place, event) {
  const { path, step } = session.scene.nodes[place];
  const refused = (/** @type {unknown} */ error) => session.say(messageOf(error));
  if (!event.altKey || !event.key.startsWith('Arrow')) return false;
  const to = destination(session, place, event.key);
  if (!to) {
    session.say(`${step} cannot go further that way.`);
    return true;
  }
  session.carry([path], session.scene.nodes[to.container].path, to.place).catch(refused);
  return true;
}
