// SPDX-License-Identifier: MIT
// @ts-check
// One instance of the engine: src/page/engine, whose C interface is wrapped here and used nowhere else.

/**
 * @typedef {object} Box
 * @property {number} x
 * @property {number} y
 * @property {number} width
 * @property {number} height
 *
 * @typedef {object} SceneNode
 * @property {string} path
 * @property {string} tail  the shortest name that is clear
 * @property {string} step  its own step of the path
 * @property {string} kind
 * @property {number} parent  its place in the list, or -1
 * @property {true} [backward]  where its earlier children are painted over later ones
 *
 * @typedef {object} Change
 * @property {string} does
 * @property {string} what
 * @property {string} text
 * @property {string} option
 *
 * @typedef {object} NamedSize
 * @property {string} name
 * @property {number} width
 * @property {number | null} height
 *
 * @typedef {object} Form
 * @property {string} locale
 * @property {number} text_expansion
 * @property {string} words  what they are measured in: plain, fonts, or nothing, as the scene says
 * @property {string[]} modes
 *
 * @typedef {object} Words
 * @property {'fixed' | 'fonts'} in
 * @property {boolean} carried  whether there are pieces, so that it can be fonts
 * @property {string[]} families
 * @property {string[]} plain  texts without pieces, which have fixed metrics
 *
 * @typedef {object} Scene
 * @property {string} name
 * @property {string} file
 * @property {string} file_word  the same for a shell
 * @property {string} direction
 * @property {{width: {from: number, to: number}, height: {from: number, to: number} | null, named_sizes: NamedSize[]}} ladder
 * @property {string[]} ranges
 * @property {string[]} modes
 * @property {string[]} locales
 * @property {string[]} parts
 * @property {string[]} claims
 * @property {Words} words
 * @property {Form} form
 * @property {Change[]} changes
 * @property {string[]} hints
 * @property {SceneNode[]} nodes
 *
 * @typedef {object} Handle  what a hand pulls, from the corner of the container
 * @property {string} setting
 * @property {number} value  in pixels, or what else the setting counts
 * @property {number} x
 * @property {number} y
 * @property {'x' | 'y'} axis
 * @property {1 | -1} way  -1: it grows to the left or up
 * @property {number} least
 * @property {number} most
 * @property {number} grain  what the value is a multiple of
 * @property {number} per_pixel  how much of it a pixel is
 * @property {{words: string, setting: string}[]} choices  what moves with it; the first is the setting alone
 * @property {{words: string, place: string, first?: string}[]} scopes  for which nodes; the first is this one
 * @property {Pulled} own  what the setting is to be
 * @property {Pulled[]} also  what else is tried with it
 * @property {{at: number, value: number}[]} stops  where it snaps to
 *
 * @typedef {object} Pulled  texts with numbers of a pulled value between them
 * @property {string[]} texts
 * @property {{times: number, plus: number}[]} numbers
 *
 * @typedef {object} Landing  where what is carried would come to stand, and the mark that shows it
 * @property {string} container
 * @property {number} place
 * @property {number} x
 * @property {number} y
 * @property {number} width
 * @property {number} height
 *
 * @typedef {object} Scroller
 * @property {number} place  of the node
 * @property {number} x
 * @property {number} y
 * @property {number} most_x
 * @property {number} most_y
 *
 * @typedef {object} Answer
 * @property {number} status  as the program's exit status
 * @property {string} out
 * @property {string} messages
 */

/** What is told of a node by a bit each; src/page/engine/engine.cpp has the same. */
export const flag = { placed: 1, overhangs: 2, overlapsPadding: 4, squeezed: 8, invisible: 16, scrolls: 32 };

/** Those that are bad, and what they are called. */
export const troubles = /** @type {const} */ ([
  ['overhangs', 'overhanging'],
  ['overlapsPadding', 'overlapping padding'],
  ['squeezed', 'squeezed'],
  ['invisible', 'invisible'],
]);
export const anyTrouble = flag.overhangs | flag.overlapsPadding | flag.squeezed | flag.invisible;

/** The engine says no: the message is the program's. */
export class Refused extends Error {}
/** The engine broke off. Its instance must not be used any more. */
export class Trapped extends Error {}

const encoder = new TextEncoder();
const decoder = new TextDecoder();
const fields = 8;

/**
 * What the run time library of C++ asks for: a clock, and somebody who reads what it complains of.
 * @param {() => WebAssembly.Memory} memory
 */
function system(memory) {
  const notSupported = 52;
  return {
    environ_get: () => 0,
    environ_sizes_get: (/** @type {number} */ count, /** @type {number} */ bytes) => {
      const view = new DataView(memory().buffer);
      view.setUint32(count, 0, true);
      view.setUint32(bytes, 0, true);
      return 0;
    },
    clock_time_get: (/** @type {number} */ _id, /** @type {bigint} */ _precision, /** @type {number} */ at) => {
      new DataView(memory().buffer).setBigUint64(at, BigInt(Math.round(performance.now() * 1e6)), true);
      return 0;
    },
    fd_close: () => notSupported,
    fd_seek: () => notSupported,
    fd_write: (
      /** @type {number} */ _file,
      /** @type {number} */ pieces,
      /** @type {number} */ count,
      /** @type {number} */ at,
    ) => {
      const view = new DataView(memory().buffer);
      let bytes = 0;
      for (let i = 0; i < count; ++i) {
        const from = view.getUint32(pieces + 8 * i, true);
        const length = view.getUint32(pieces + 8 * i + 4, true);
        console.warn(decoder.decode(new Uint8Array(memory().buffer, from, length)));
        bytes += length;
      }
      view.setUint32(at, bytes, true);
      return 0;
    },
    proc_exit: (/** @type {number} */ status) => {
      throw new Error(`the engine ended with ${status}`);
    },
  };
}

/** The pieces of the words of the scenes that are opened, as the program measured them; nothing without fonts. */
export const carried = { pieces: '' };

export class Engine {
  /**
   * @param {WebAssembly.Module} module
   * @param {(text: string, face: number) => number} letterWidth  in letters of size 1; face 0 plain, 1 bold, 2 equal
   */
  static async start(module, letterWidth = () => 0) {
    const engine = new Engine();
    const instance = await WebAssembly.instantiate(module, {
      wasi_snapshot_preview1: system(() => engine.memory),
      page: {
        letter_width: (/** @type {number} */ at, /** @type {number} */ bytes, /** @type {number} */ face) =>
          letterWidth(engine.#textAt(at, bytes), face),
      },
    });
    engine.#calls = /** @type {any} */ (instance.exports);
    engine.#call('_initialize');
    return engine;
  }

  /** @type {Record<string, any>} */
  #calls = {};

  get memory() {
    return /** @type {WebAssembly.Memory} */ (this.#calls.memory);
  }

  /** @param {string} name @param {...unknown} values */
  #call(name, ...values) {
    try {
      return this.#calls[name](...values);
    } catch (error) {
      throw new Trapped(`the engine broke off (${error instanceof Error ? error.message : error})`);
    }
  }
  /** @param {number} at @param {number} bytes */
  #textAt(at, bytes) {
    return decoder.decode(new Uint8Array(this.memory.buffer, at, bytes));
  }
  /** @param {string} of */
  #text(of) {
    const [at, bytes] = [this.#call(`fl_${of}`), this.#call(`fl_${of}_bytes`)];
    return this.#textAt(at, bytes);
  }
  /** Puts texts into the space. @param {string[]} texts */
  #put(texts) {
    const bytes = encoder.encode(texts.join('\0'));
    const at = this.#call('fl_input_buffer', bytes.length);
    new Uint8Array(this.memory.buffer, at, bytes.length).set(bytes);
  }
  /** Calls what may be refused. @param {string} name @param {...unknown} values */
  #attempt(name, ...values) {
    const done = this.#call(name, ...values);
    if (!done) {
      const why = this.#text('answer');
      if (why) throw new Refused(why);
    }
    return done;
  }

  #pieces = '';
  /** @param {string} file @param {string} text */
  open(file, text) {
    if (this.#pieces !== carried.pieces) {
      this.#put([carried.pieces]);
      this.#attempt('fl_pieces');
      this.#pieces = carried.pieces;
    }
    this.#put([file, text]);
    this.#attempt('fl_open');
  }
  /** @param {Form} form */
  setForm(form) {
    this.#put([form.locale, String(form.text_expansion), form.words, ...form.modes]);
    this.#attempt('fl_form');
  }
  /** @param {string} does @param {string} what */
  apply(does, what) {
    this.#put([does, what]);
    this.#attempt('fl_apply');
  }
  /** @returns {boolean} whether there was a change to take back */
  undo() {
    return Boolean(this.#attempt('fl_undo'));
  }
  redo() {
    return Boolean(this.#attempt('fl_redo'));
  }
  /** @returns {Scene} */
  describe() {
    this.#attempt('fl_describe');
    return JSON.parse(this.#text('answer'));
  }
  sceneText() {
    this.#attempt('fl_scene_text');
    return this.#text('answer');
  }

  /** The same as `tidy` prints it, and whether comments of the text are lost in it. */
  tidyText() {
    const losesComments = this.#attempt('fl_tidy_text') === 2;
    return { text: this.#text('answer'), losesComments };
  }

  /** @param {number} width @param {number | null} height @returns {number} of nodes */
  solve(width, height) {
    return this.#attempt('fl_solve', width, height ?? NaN);
  }
  /** Whether there are other nodes than were described last: entries of lists come into view and go. */
  get hasOtherNodes() {
    return Boolean(this.#call('fl_has_other_nodes'));
  }
  /** The height of the container as it is arranged. */
  get height() {
    return this.#call('fl_height');
  }
  /**
   * Copies of all boxes of the last arrangement. @param {number} count of nodes
   */
  boxes(count) {
    const at = this.#call('fl_boxes');
    return new Float64Array(this.memory.buffer, at, count * fields).slice();
  }
  /** @param {number} count of nodes */
  troubles(count) {
    const at = this.#call('fl_issues'); // first: its memory may grow, and then lies in another buffer
    return new Uint32Array(this.memory.buffer, at, count).slice();
  }
  /** @returns {{active: string[], scrolled: string[], tree: {path: string, kind: string, depth: number, layout: string}[]}} */
  signs() {
    this.#attempt('fl_status');
    return JSON.parse(this.#text('answer'));
  }
  /** The place of the front-most node at a point, or -1. @param {number} x @param {number} y */
  under(x, y) {
    return this.#call('fl_hit_test', x, y);
  }
  /** What of a node a hand can pull. @param {number} place @returns {{handles: Handle[], fixed: {axis: string, x: number, y: number, why: string}[]}} */
  handles(place) {
    this.#attempt('fl_handles', place);
    return JSON.parse(this.#text('answer'));
  }
  /** Where a node would land that is carried to a point. @param {number} x @param {number} y @param {number} carried @returns {Landing | null} */
  landing(x, y, carried) {
    this.#attempt('fl_drop_target', x, y, carried);
    return JSON.parse(this.#text('answer'));
  }
  /** @param {number} place @param {number} x @param {number} y */
  scrollTo(place, x, y) {
    return Boolean(this.#call('fl_scroll_to', place, x, y));
  }
  /** What can be scrolled. @returns {Scroller[]} */
  scrollers() {
    this.#attempt('fl_scrollers');
    return JSON.parse(this.#text('answer')).scrollers;
  }
  /** The ties of a node, and the sides that one can be pulled from. @param {number} place @returns {{lines: {x: number, y: number, to_x: number, to_y: number}[], sides: {side: string, number: number, x: number, y: number}[]}} */
  ties(place) {
    this.#attempt('fl_ties', place);
    return JSON.parse(this.#text('answer'));
  }
  /** What can tie a side. @param {number} place @param {number} side @returns {{words: string, tried: string}[]} */
  possibleTies(place, side) {
    this.#attempt('fl_possible_ties', place, side);
    return JSON.parse(this.#text('answer')).ties;
  }
  /** What ties a side to the edge near a point. @param {number} place @param {number} side @param {number} x @param {number} y @returns {{words: string, tried: string, x: number, y: number} | null} */
  tie(place, side, x, y) {
    this.#attempt('fl_tie', place, side, x, y);
    return JSON.parse(this.#text('answer'));
  }
  /** @param {number} x @param {number} y @param {number} byX @param {number} byY @returns {boolean} */
  scroll(x, y, byX, byY) {
    return Boolean(this.#call('fl_scroll', x, y, byX, byY));
  }
  /**
   * The strokes of the picture, and the bytes of its letters; both hold until the next call.
   * @param {{x: number, y: number, scale: number, width: number, height: number}} place
   * @param {boolean} [bare]  without names and numbers
   */
  paint(place, bare = false) {
    const count = this.#call('fl_paint', place.x, place.y, place.scale, place.width, place.height, Number(bare));
    const [strokes, letters, bytes] = [
      this.#call('fl_strokes'),
      this.#call('fl_letters'),
      this.#call('fl_letters_bytes'),
    ];
    const { buffer } = this.memory;
    return { strokes: new Float64Array(buffer, strokes, count), letters: new Uint8Array(buffer, letters, bytes) };
  }
  /** Asks a command of the program. @param {string[]} words @returns {Answer} */
  ask(words) {
    this.#put(words);
    const status = this.#call('fl_ask');
    return { status, out: this.#text('answer'), messages: this.#text('message') };
  }
}

/** A box as `measure` tells it. @param {Float64Array} boxes @param {number} place @returns {Box} */
export function measured(boxes, place) {
  const at = place * fields;
  return { x: boxes[at], y: boxes[at + 1], width: boxes[at + 2], height: boxes[at + 3] };
}
/** A box as it is painted, scrolled and scaled. @param {Float64Array} boxes @param {number} place @returns {Box} */
export function painted(boxes, place) {
  return measured(boxes.subarray(4), place);
}
