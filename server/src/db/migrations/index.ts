import { campReports } from './camp-reports';
import { camps } from './camps';
import type { Migration } from './columns';
import { course } from './course';
import { effects } from './effects';
import { film } from './film';
import { first } from './first';
import { handOuts } from './hand-outs';
import { judgement } from './judgement';
import { lean } from './lean';
import { library } from './library';
import { links } from './links';
import { log } from './log';
import { people } from './people';
import { plans } from './plans';
import { run } from './run';
import { seeing } from './seeing';
import { spots } from './spots';
import { standing } from './standing';
import { words } from './words';

export type { Migration };

export const MIGRATIONS: readonly Migration[] = [
  first,
  people,
  film,
  judgement,
  log,
  plans,
  library,
  seeing,
  words,
  standing,
  lean,
  run,
  handOuts,
  course,
  links,
  effects,
  spots,
  camps,
  campReports,
];
