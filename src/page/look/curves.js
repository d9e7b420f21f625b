// SPDX-License-Identifier: MIT
// @ts-check
// Curves of quantities over an axis, drawn by the plotting library, and what their breakpoints are called.

import { Chart, LineController, LineElement, LinearScale, PointElement } from 'chart.js/chart.esm.js';
import { make } from './dom.js';
import { rounded } from './numbers.js';

Chart.register(LineController, LineElement, LinearScale, PointElement);

const dashes = [[], [7, 4], [2, 3], [9, 3, 2, 3]];

/**
 * @typedef {object} Breakpoint
 * @property {number} at
 * @property {number} [to]
 * @property {string} quantity
 * @property {'jump' | 'bend' | 'curve'} kind
 * @property {boolean} [includes_at] whether it is so at that very size
 * @property {number | null} before
 * @property {number | null} after
 * @property {number | null} slope_before
 * @property {number | null} slope_after
 * @property {string} why
 */

const inkOf = (/** @type {string} */ name) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/**
 * @param {HTMLCanvasElement} canvas
 * @param {{left: number, right: number}} space  beside the curves
 */
export function curveChart(canvas, { left, right }) {
  const grid = { color: () => inkOf('--line') };
  return new Chart(canvas, {
    type: 'line',
    data: { datasets: [] },
    options: {
      animation: false,
      events: [],
      maintainAspectRatio: false,
      parsing: false,
      normalized: true,
      layout: { padding: { left, top: 20 } },
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: 1,
          grid,
          ticks: { color: () => inkOf('--quiet'), align: 'inner', maxRotation: 0, padding: 0, callback: rounded },
        },
        y: {
          position: 'right',
          beginAtZero: true,
          grid,
          ticks: { color: () => inkOf('--quiet'), maxTicksLimit: 6, callback: rounded },
          afterFit: (/** @type {{width: number}} */ scale) => (scale.width = right),
        },
      },
    },
  });
}

/**
 * @param {any} chart
 * @param {{x: number, y: number}[][]} curves
 * @param {{from: number, to: number}} axis
 */
export function drawCurves(chart, curves, { from, to }) {
  chart.options.scales.x.min = from;
  chart.options.scales.x.max = to;
  chart.data.datasets = curves.map((data, i) => ({
    data,
    borderColor: inkOf(`--curve-${i % 4}`),
    borderDash: dashes[i % 4],
    borderWidth: 2,
    pointRadius: 0,
  }));
  chart.resize();
  chart.update();
}

/** As the program tells it, but for where. @param {Breakpoint} breakpoint */
export function breakpointText(breakpoint) {
  const text = (/** @type {number | null} */ value) => (value === null ? 'hidden' : rounded(value));
  const how = {
    jump: `jumps from ${text(breakpoint.before)} to ${text(breakpoint.after)}`,
    bend: `bends at ${text(breakpoint.after)}, its slope from ${text(breakpoint.slope_before)} to ${text(breakpoint.slope_after)}`,
    curve: `follows a curve up to ${rounded(breakpoint.to ?? breakpoint.at)}`,
  }[breakpoint.kind];
  return `${breakpoint.quantity} ${how}${breakpoint.why ? `: ${breakpoint.why}` : ''}`;
}

/** A ring on a curve, where there is a breakpoint. @param {any} chart @param {Breakpoint} breakpoint @param {number} left  in pixels @param {() => void} does */
export function breakpointMark(chart, breakpoint, left, does) {
  const text = `${breakpoint.includes_at === false ? 'above' : 'at'} ${rounded(breakpoint.at)}: ${breakpointText(breakpoint)}`;
  const button = make('button', {
    type: 'button',
    className: 'breakpoint',
    title: text,
    'aria-label': text,
    onclick: does,
  });
  button.style.left = `${left}px`;
  button.style.top = `${chart.scales.y.getPixelForValue(breakpoint.after ?? breakpoint.before ?? 0)}px`;
  return button;
}
