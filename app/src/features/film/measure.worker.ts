/** Measures throws beside the page. */
import { measureThrow } from '@wrightonic/core';
import type { MeasureRequest } from '@wrightonic/core';

self.onmessage = (event: MessageEvent<{ readonly ask: number; readonly request: MeasureRequest }>) => {
  const { ask, request } = event.data;
  (self as unknown as Worker).postMessage({ ask, result: measureThrow(request) });
};
