import { rulesFor } from '../core/walkround/order-rules';
import { shortestOrder, type Stop } from '../core/walkround/walking';

// A second or two of arithmetic: off the thread that draws.
declare const self: DedicatedWorkerGlobalScope;

interface Question {
  readonly stops: readonly Stop[];
  readonly laps: Parameters<typeof rulesFor>[0];
}

self.addEventListener('message', ({ data: { stops, laps } }: MessageEvent<Question>) => {
  self.postMessage(shortestOrder(stops, rulesFor(laps)));
});
