// SPDX-License-Identifier: MIT
// @ts-check
// Whatever names a node or a size leads there: sentences of the program with their names made into links.

import { link } from './dom.js';
import { rounded, stretch } from './numbers.js';

/**
 * @param {import('./session.js').Session} session
 * @param {string} path
 * @param {string} [name] what it is called here
 */
export function nodeLink(session, path, name) {
  const node = session.node(path);
  if (!node) return document.createTextNode(name ?? path);
  return link(name ?? node.tail, `select ${path}`, () => {
    if (session.node(path)) session.select(path);
    else session.say(`${path} no longer exists.`); // an older answer that nothing has replaced yet
  });
}

/**
 * @param {import('./session.js').Session} session
 * @param {number} width
 * @param {string} [text]
 */
export function widthLink(session, width, text = rounded(width)) {
  return link(text, `go to ${rounded(width)}`, () => session.resize(width, session.size.height));
}

/**
 * Stretches of widths, each leading to where it begins.
 * @param {import('./session.js').Session} session
 * @param {{from: number, to: number}[]} spans
 */
export function spanLinks(session, spans, most = 6) {
  /** @type {(Node | string)[]} */
  const parts = spans
    .slice(0, most)
    .flatMap(({ from, to }, i) => [i ? ', ' : '', widthLink(session, from, stretch(from, to))]);
  if (spans.length > most) parts.push(` and ${spans.length - most} more`);
  return parts;
}

/**
 * A text of the program, with every node that it names as a link.
 * @param {import('./session.js').Session} session
 * @param {string} text
 */
export function linked(session, text) {
  const paths = knownNames(session.scene);
  /** @type {(Node | string)[]} */
  const parts = [];
  let plain = '';
  for (const word of text.split(/([\s,;:()`"]+|\.(?=\s|$)|\.(?=(?:width|height|x|y|left|right|top|bottom)\b))/)) {
    const path = paths.get(word);
    if (!path) {
      plain += word;
      continue;
    }
    if (plain) parts.push(plain);
    plain = '';
    parts.push(nodeLink(session, path, word));
  }
  if (plain) parts.push(plain);
  return parts;
}

/** @type {WeakMap<object, Map<string, string>>} */
const known = new WeakMap();
/** Names that say one node: paths, tails, and steps that only one has. @param {import('./engine.js').Scene} scene */
function knownNames(scene) {
  let names = known.get(scene);
  if (names) return names;
  names = new Map();
  const usual =
    /^(an?|the|its|of|at|to|in|and|or|is|row|column|grid|stack|box|text|image|lines?|gaps?|margins?|padding|words?|weight|basis|width|height|content)$/;
  for (const { path, tail } of scene.nodes) {
    names.set(path, path);
    if (!usual.test(tail)) names.set(tail, path);
  }
  known.set(scene, names);
  return names;
}
