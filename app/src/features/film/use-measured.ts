import type { MeasureRequest, MeasureResult } from '@wrightonic/core';
import { useEffect, useRef, useState } from 'react';

interface Answer {
  readonly ask: number;
  readonly result: MeasureResult;
}

/** What a throw measures, computed in a worker; null until it is there. What is asked later replaces what was asked before. */
export function useMeasured(request: MeasureRequest | null): MeasureResult | null {
  const worker = useRef<Worker | null>(null);
  const newest = useRef(0);
  const [result, setResult] = useState<MeasureResult | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);
  useEffect(() => {
    if (!request) return;
    if (!worker.current) {
      worker.current = new Worker(new URL('./measure.worker', window.location.href));
      worker.current.onmessage = ({ data }: MessageEvent<Answer>) => {
        if (data.ask === newest.current) setResult(data.result);
      };
    }
    newest.current += 1;
    worker.current.postMessage({ ask: newest.current, request });
  }, [request]);
  return result;
}
