import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { AthleteRecord } from '@wrightonic/contract';
import { EMPTY_FORM, formOf, missing, recordFrom } from './form';

const athlete: AthleteRecord = {
  name: 'Testa Birchley',
  discipline: 'overhand',
  throws: 'L',
  birthDate: '2010-02-11',
  heightM: 1.78,
  massKg: 70.5,
  level: 'high-school',
  season: 'in',
  availability: [
    { weekday: 'mon', minutes: 60, place: 'cage' },
    { weekday: 'fri', minutes: 30, place: 'home' },
  ],
  equipment: ['net', 'strap'],
  partner: true,
  schools: { driveLeg: 'sit' },
};

describe('the intake form', () => {
  it('gives back the record that it was filled from', () => {
    expect(recordFrom(formOf(athlete, EMPTY_INTAKE, 'cm'), 'cm')).toEqual(athlete);
    for (const heightM of [1.3, 1.605, 1.7655, 1.999])
      expect(recordFrom(formOf({ ...athlete, heightM }, EMPTY_INTAKE, 'cm'), 'cm')!.heightM).toBeCloseTo(heightM, 2);
    expect(formOf({ ...athlete, heightM: 1.605 }, EMPTY_INTAKE, 'cm').size.height).toBe('160.5');
    const inFeet = formOf(athlete, EMPTY_INTAKE, 'in');
    expect(inFeet.size.height).toBe('5\'10"');
    expect(recordFrom(inFeet, 'in')!.heightM).toBeCloseTo(1.778, 3);
  });

  it('says what is missing, one thing after the other, until it can be kept', () => {
    let form = EMPTY_FORM;
    const said: string[] = [];
    const answers: (() => void)[] = [
      () => (form = { ...form, who: { ...form.who, name: 'Testa' } }),
      () => (form = { ...form, who: { ...form.who, birthDate: '2010-02-11' } }),
      () => (form = { ...form, who: { ...form.who, discipline: 'windmill' } }),
      () => (form = { ...form, who: { ...form.who, throws: 'R' } }),
      () => (form = { ...form, size: { ...form.size, height: '178' } }),
      () => (form = { ...form, size: { ...form.size, mass: '154 lb' } }),
      () => (form = { ...form, size: { ...form.size, level: 'youth' } }),
    ];
    for (const answer of answers) {
      said.push(missing(form, 'cm') ?? '');
      expect(recordFrom(form, 'cm')).toBeNull();
      answer();
    }
    expect(said).toEqual([
      'the name',
      'the birth date',
      'overhand or windmill',
      'the throwing hand',
      'the height',
      'the weight',
      'the level',
    ]);
    expect(missing(form, 'cm')).toBeNull();
    expect(recordFrom(form, 'cm')).toMatchObject({ name: 'Testa', massKg: 69.9, season: 'off', availability: [] });
  });
});
