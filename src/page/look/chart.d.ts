// SPDX-License-Identifier: MIT
// The little of the plotting library that the page uses.
declare module 'chart.js/chart.esm.js' {
  export class Chart {
    static register(...parts: unknown[]): void;
    constructor(canvas: HTMLCanvasElement, configuration: object);
    data: { datasets: object[] };
    options: { scales: { x: { max: number; ticks: { padding: number } } } };
    readonly canvas: HTMLCanvasElement;
    readonly chartArea: { bottom: number };
    readonly scales: { y: { getPixelForValue(value: number): number } };
    resize(): void;
    update(): void;
  }
  export const LineController: unknown, LineElement: unknown, LinearScale: unknown, PointElement: unknown;
}
