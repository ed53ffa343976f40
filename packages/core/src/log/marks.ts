/** Undos and cheats: what was said of a rep afterwards. */
import { inOrder } from './entries';
import type { LoggedMark, LoggedRep } from './entries';
import { MIS_TAP_MS } from './instants';

/** Marks by the id of what they speak of, each in the order of its instants. */
export type MarksBy = ReadonlyMap<string, readonly LoggedMark[]>;

export function marksBy(marks: readonly LoggedMark[]): MarksBy {
  const found = new Map<string, LoggedMark[]>();
  for (const mark of inOrder(marks)) {
    const known = found.get(mark.rep);
    if (known) known.push(mark);
    else found.set(mark.rep, [mark]);
  }
  return found;
}

/** What a mark can speak of. */
type Logged = Pick<LoggedRep, 'author' | 'at'>;

/** The first word on an entry that counts: a family takes back and tags only what it logged itself. */
const marksOn = (entry: Logged, marks: readonly LoggedMark[]): LoggedMark[] =>
  marks.filter((mark) => !mark.alone || mark.author === entry.author);

interface Undone {
  readonly undone: boolean;
  /** Within a minute: the tap was a slip. */
  readonly slip: boolean;
}

const NOT_UNDONE: Undone = { undone: false, slip: false };

export const NO_MARKS: readonly LoggedMark[] = [];

export function undoOf(entry: Logged, marks: readonly LoggedMark[]): Undone {
  if (marks.length === 0) return NOT_UNDONE;
  const undo = marksOn(entry, marks).find((mark) => mark.kind === 'undo');
  if (!undo) return NOT_UNDONE;
  return { undone: true, slip: Date.parse(undo.at) - Date.parse(entry.at) <= MIS_TAP_MS };
}

/** Said in place of a cheat that was tapped by mistake: there was none. */
export const NO_CHEAT = 'none';

export function cheatOf(rep: LoggedRep, marks: readonly LoggedMark[]): string | null {
  if (marks.length === 0) return null;
  const newest = marksOn(rep, marks)
    .filter((mark) => mark.kind === 'cheat')
    .pop();
  return newest?.kind === 'cheat' && newest.cheat !== NO_CHEAT ? newest.cheat : null;
}
