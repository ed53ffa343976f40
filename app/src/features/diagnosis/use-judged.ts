import type { DiagnosisRequest } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { beside } from '../../data/beside';
import type { Beside } from '../../data/beside';
import type { Judging } from './judge.worker';
import { JUDGE } from './judging';
import type { Answers, Question } from './judging';

let worker: Beside<Judging> | null = null;

function workerOfThePage(): Beside<Judging> | null {
  if (typeof Worker === 'undefined') return null;
  worker ??= beside<Judging>(new Worker(new URL('./judge.worker', window.location.href)));
  return worker;
}

/** Judges in a worker; where there is none (tests, old browsers), or it fails, right here. */
export async function judge<Q extends Question>(question: Q, request: DiagnosisRequest): Promise<Answers[Q]> {
  const asked = workerOfThePage();
  const here = () => JUDGE[question](request);
  if (!asked) return Promise.resolve().then(here);
  try {
    const { answer, ms } = await asked.ask((api) => api.judge(question, request));
    performance.measure?.(`judge ${question}`, { start: performance.now() - ms, duration: ms });
    return answer as Answers[Q];
  } catch {
    // The next question gets a worker of its own.
    asked.end();
    worker = null;
    return here();
  }
}

interface Kept<Q extends Question> {
  readonly request: DiagnosisRequest;
  readonly answer: Answers[Q];
}

/** The newest answer to a question, and whether it is the answer to this very request; null while there is none. */
export function useJudged<Q extends Question>(
  question: Q,
  request: DiagnosisRequest | null,
): { readonly answer: Answers[Q] | null; readonly current: boolean } {
  const [kept, setKept] = useState<Kept<Q> | null>(null);
  useEffect(() => {
    let wanted = true;
    if (request)
      void judge(question, request).then((answer) => {
        if (wanted) setKept({ request, answer });
      });
    return () => {
      wanted = false;
    };
  }, [question, request]);
  return { answer: kept?.answer ?? null, current: kept !== null && kept.request === request };
}
