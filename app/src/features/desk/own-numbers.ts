import { bodyTestById } from '@wrightonic/core';
import type { AcademyNumbers, GateSettings, SettableNumber, TestId } from '@wrightonic/core';

/** The academy's own value; undefined where the standard counts. */
export function ownOf(numbers: AcademyNumbers, { group, key, part }: SettableNumber): number | undefined {
  if (group === 'tests') return numbers.tests?.[key as TestId]?.[part!];
  if (group === 'gate') return numbers.gate?.[key as keyof GateSettings];
  return numbers[group]?.[key];
}

/** The numbers with one of them set, or back to the standard. */
export function withOwn(numbers: AcademyNumbers, setting: SettableNumber, value: number | undefined): AcademyNumbers {
  const { group, key, part } = setting;
  const { [key]: old, ...rest }: Record<string, unknown> = { ...numbers[group] };
  if (group !== 'tests') return { ...numbers, [group]: value === undefined ? rest : { ...rest, [key]: value } };
  const test = bodyTestById(key as TestId);
  const band = { pass: test.pass, watch: test.watch, ...(old as object | undefined), [part!]: value ?? test[part!] };
  const standard = band.pass === test.pass && band.watch === test.watch;
  return { ...numbers, tests: standard ? rest : { ...rest, [key]: band } };
}

/** Whether the academy has set this number otherwise than it came. */
export function isOwn(numbers: AcademyNumbers, setting: SettableNumber): boolean {
  const own = ownOf(numbers, setting);
  return own !== undefined && own !== setting.standard;
}
