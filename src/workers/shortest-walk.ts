import { shortestOrder, type Stop } from '../core/walkround/walking';

// A second or two of arithmetic: off the thread that draws.
declare const self: DedicatedWorkerGlobalScope;

self.addEventListener('message', ({ data }: MessageEvent<readonly Stop[]>) => {
  self.postMessage(shortestOrder(data));
});
