/** Camps, and who is where when. */
import type { CampReport, CampStationForm } from '@wrightonic/contract';
import type { CampChange, CampSchedule, IsoDate, TimedDay } from '@wrightonic/core';
import type { Flag, Kept, OfAcademy, OfAthlete } from './column';

export interface CampDbRow extends Kept, OfAcademy {
  name: string;
  place: string | null;
  first_on: IsoDate;
  last_on: IsoDate;
  days: readonly TimedDay[];
  stations: readonly CampStationForm[];
  forget_after_days: number;
  revision: number;
  published_at: Date | null;
  score: number | null;
  bound_score: number | null;
  infeasible: CampSchedule['infeasible'];
  group_id: string | null;
}

export interface CampAthleteDbRow extends OfAthlete {
  camp_id: string;
  group_name: string | null;
  friends: readonly string[];
  visitor: Flag;
  place_in_list: number;
}

export interface CampVisitDbRow extends OfAthlete {
  camp_id: string;
  day: number;
  rotation: number;
  station: string;
}

export interface CampChangeDbRow extends OfAcademy {
  id: string;
  camp_id: string;
  day: number;
  from_rotation: number;
  type: CampChange['type'];
  athlete_id: string | null;
  station: string | null;
  at: Date;
}

export interface CampArrivalDbRow extends OfAthlete {
  camp_id: string;
  day: number;
  at: Date;
}

export interface CampReportDbRow extends OfAthlete {
  camp_id: string;
  report: CampReport;
  made_at: Date;
}
