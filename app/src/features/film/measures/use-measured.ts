import type { MeasureRequest, MeasureResult } from '@wrightonic/core';
import { useEffect, useRef, useState } from 'react';
import { beside } from '../../../data/beside';
import type { Beside } from '../../../data/beside';
import type { Measuring } from './measure.worker';

/**
 * What a throw measures, computed in a worker; null until it is there, and where the worker fails. What is asked later replaces what was
 * asked before.
 */
export function useMeasured(request: MeasureRequest | null): MeasureResult | null {
  const worker = useRef<Beside<Measuring> | null>(null);
  const [result, setResult] = useState<MeasureResult | null>(null);
  useEffect(() => () => worker.current?.end(), []);
  useEffect(() => {
    if (!request) return undefined;
    let newest = true;
    worker.current ??= beside<Measuring>(new Worker(new URL('./measure.worker', window.location.href)));
    void worker.current
      .ask((api) => api.measure(request))
      .catch(() => {
        // The next throw gets a worker of its own.
        worker.current?.end();
        worker.current = null;
        return null;
      })
      .then((measured) => {
        if (newest) setResult(measured);
      });
    return () => {
      newest = false;
    };
  }, [request]);
  return result;
}
