import type { CampState } from '@wrightonic/contract';
import type { CAMP_CHANGES } from '@wrightonic/core';
import type { IsoDate, StationKind } from '@wrightonic/core';
import { plainDay, weekDay } from '../../ui/words';

export const STATE_WORDS: Record<CampState, string> = {
  draft: 'being built',
  scheduled: 'scheduled, not published',
  published: 'published',
  over: 'over',
};

export const KIND_WORDS: Record<StationKind, string> = {
  drill: 'drill',
  radar: 'radar',
  screen: 'body check',
  film: 'film',
  rest: 'rest and water',
};

export const CHANGE_WORDS: Record<(typeof CAMP_CHANGES)[number], string> = {
  'station-closed': 'A station is closed',
  'athlete-absent': 'Somebody is gone',
  'athlete-late': 'Somebody comes late',
};

/** First and last day. */
export const daysText = (from: IsoDate, to: IsoDate): string =>
  from === to ? plainDay(from) : `${weekDay(from)} to ${weekDay(to)}`;
