import type { Plan, PlanRequest } from '@wrightonic/core';
import { daysBetween, SCHOOL_OPTIONS } from '@wrightonic/core';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { planBeside } from './beside/client';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';

interface Way {
  readonly name: string;
  readonly request: PlanRequest;
}

const SCHOOL_NAMES: Record<(typeof SCHOOL_OPTIONS)['driveLeg'][number], string> = {
  fall: 'School: fall',
  push: 'School: push',
  sit: 'School: sit',
};

/** Other ways to plan for the same athlete: another school, two days a week, no mound. */
export function waysOf(request: PlanRequest): Way[] {
  const ways: Way[] = [];
  const add = (name: string, more: Partial<PlanRequest>) => ways.push({ name, request: { ...request, ...more } });
  for (const driveLeg of SCHOOL_OPTIONS.driveLeg)
    if (request.schools?.driveLeg !== driveLeg) add(SCHOOL_NAMES[driveLeg], { schools: { ...request.schools, driveLeg } });
  if (request.availability.length > 2) {
    const byMinutes = [...request.availability].sort((a, b) => b.minutes - a.minutes).slice(0, 2);
    add('Two days a week', { availability: byMinutes });
  }
  const flat = request.availability.map((a) => (a.place === 'mound' ? { ...a, place: 'cage' as const } : a));
  if (request.availability.some((a) => a.place === 'mound')) add('Without the mound', { availability: flat });
  else if (request.availability.some((a) => a.place === 'cage'))
    add('With a mound', { availability: request.availability.map((a, i) => (i === 0 ? { ...a, place: 'mound' as const } : a)) });
  return ways;
}

/** Weeks until the first main work on a rung, or null. */
function weeksTo(plan: Plan, on: string, rung: number): number | null {
  const first = plan.sessions.find((s) => s.items.some((i) => i.role === 'main' && i.rung >= rung));
  return first ? Math.floor(daysBetween(on, first.date) / 7) + 1 : null;
}

const COLUMNS = ['whole throws', 'mound', 'throws', 'hours', 'drills'] as const;

function row(plan: Plan, on: string): string[] {
  const week = (n: number | null) => (n === null ? '–' : `wk ${n}`);
  return [
    week(weeksTo(plan, on, 6)),
    week(weeksTo(plan, on, 7)),
    String(plan.sessions.reduce((n, s) => n + s.throws, 0)),
    (plan.sessions.reduce((n, s) => n + s.minutes, 0) / 60).toFixed(1),
    String(new Set(plan.sessions.flatMap((s) => s.items.map((i) => i.drill))).size),
  ];
}

/** The plans of some requests as they come: what is there at once, then the best. */
function usePlans(ways: readonly Way[]): ReadonlyMap<Way, { readonly plan: Plan; readonly last: boolean }> {
  const [plans, setPlans] = useState<ReadonlyMap<Way, { readonly plan: Plan; readonly last: boolean }>>(new Map());
  useEffect(
    () =>
      planBeside(
        ways.map((way) => way.request),
        (index, plan, last) => setPlans((known) => new Map(known).set(ways[index]!, { plan, last })),
      ),
    [ways],
  );
  return plans;
}

/** Alternatives side by side: when whole throws and the mound come, and what each costs. */
export function Compare({ request, plan }: { readonly request: PlanRequest; readonly plan: Plan }) {
  const palette = usePalette();
  const ways = useMemo(() => waysOf(request), [request]);
  const plans = usePlans(ways);
  const rows = [
    { name: 'As it stands', plan, last: true },
    ...ways.map((way) => ({ name: way.name, plan: plans.get(way)?.plan ?? null, last: plans.get(way)?.last ?? false })),
  ];
  const looking = rows.some((r) => !r.last);
  const cell = { flex: 1, textAlign: 'right', fontFamily: NUMBER_FONT, fontSize: 16 } as const;
  return (
    <View role="table" aria-label="This plan beside others" style={{ gap: 2 }}>
      <View role="row" style={{ flexDirection: 'row', gap: SPACE.xs }}>
        <Text variant="bodySmall" role="columnheader" style={{ flex: 2.2, color: palette.soft }}>
          Way
        </Text>
        {COLUMNS.map((name) => (
          <Text key={name} variant="bodySmall" role="columnheader" style={{ flex: 1, textAlign: 'right', color: palette.soft }}>
            {name}
          </Text>
        ))}
      </View>
      {rows.map(({ name, plan: made }, i) => (
        <View
          key={name}
          role="row"
          style={{ flexDirection: 'row', gap: SPACE.xs, borderTopWidth: 1, borderColor: palette.line, paddingVertical: 4 }}
        >
          <Text variant="bodyMedium" role="rowheader" style={{ flex: 2.2, fontWeight: i === 0 ? '600' : '400' }}>
            {name}
          </Text>
          {(made ? row(made, request.on) : COLUMNS.map(() => '…')).map((value, n) => (
            <Text key={COLUMNS[n]} role="cell" style={cell}>
              {value}
            </Text>
          ))}
        </View>
      ))}
      <Text variant="bodySmall" role="status" style={{ color: palette.soft, minHeight: 20 }}>
        {looking ? 'Looking for the best of each…' : 'The best that was found of each.'}
      </Text>
    </View>
  );
}
