/** Bodies and searches that each endpoint would take, so that a refusal is about the person and not the body. */
import type { RouteName } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { BODY_EXAMPLES, QUERY_EXAMPLES } from '../src/http/examples';
import { rep } from './harness';

/** What needs no account has doors of its own, which other tests try. */
const DOORS: ReadonlySet<string> = new Set(['signIn', 'lookAtInvitation', 'join', 'lookAtShared', 'sharedPdf', 'sendToChannel']);
const inside = Object.fromEntries(Object.entries(BODY_EXAMPLES).filter(([name]) => !DOORS.has(name)));

export const BODIES: Partial<Record<RouteName, (own: string) => object>> = {
  ...inside,
  // Sent again and again, each is another one.
  putGroup: () => ({ name: `Group ${uuid()}`, athletes: [] }),
  putBodyReading: (own) => ({ ...BODY_EXAMPLES.putBodyReading!(own), check: uuid() }),
  putBodyNote: (own) => ({ ...BODY_EXAMPLES.putBodyNote!(own), check: uuid() }),
  log: () => ({ entries: [rep()] }),
  // A wrong name on purpose: whoever may erase is told so, and the athlete stays for the next call.
  eraseAthlete: () => ({ name: 'Not This One' }),
};

export const QUERIES: Partial<Record<RouteName, string>> = Object.fromEntries(
  Object.entries(QUERY_EXAMPLES)
    .filter(([name]) => !/Channel$/.test(name))
    .map(([name, query]) => [name, `?${new URLSearchParams(query).toString()}`]),
);
