import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { may, ROLES } from '@wrightonic/contract';
import { OPEN_SCREENS, placesFor, rightFor, SCREENS, titleOf, wayUp } from './places';

const folder = join(__dirname, '..', '..', 'app');
const files = (readdirSync(folder, { recursive: true }) as string[]).filter(
  (f) => f.endsWith('.tsx') && !f.includes('_layout') && !f.includes('+not-found'),
);
/** Address of a screen's file, with an id where the file has one. */
const addressOf = (file: string): string =>
  `/${relative('.', file)
    .replace(/\.tsx$/, '')
    .replace(/\\/g, '/')
    .replace(/(^|\/)index$/, '')
    .replace(/\[id\]/g, '0190c2f4-0000-7000-8000-000000000000')}`;

describe('places', () => {
  it('know the right of every screen that there is, and no screen that there is not', () => {
    const addresses = files.map(addressOf);
    for (const address of addresses)
      expect([address, OPEN_SCREENS.includes(address) || rightFor(address) !== null]).toEqual([address, true]);
    expect(SCREENS.length + OPEN_SCREENS.length).toBe(addresses.length);
  });

  it('of a role can all be opened by it, and are named once each', () => {
    for (const role of ROLES) {
      const places = placesFor(role);
      expect(new Set(places.map((p) => p.path)).size).toBe(places.length);
      expect(places.length).toBeGreaterThanOrEqual(3);
      for (const { path } of places) expect([role, path, may(role, rightFor(path)!)]).toEqual([role, path, true]);
    }
  });

  it('are called each by a title of its own, the start as its place is', () => {
    for (const role of ROLES) {
      const titles = SCREENS.map(({ path }) => titleOf(path.replace(':id', 'x'), role));
      expect(new Set(titles).size).toBe(titles.length);
      expect(titles).not.toContain(titleOf('/nowhere', role));
      expect(titleOf('/', role)).toBe(`${placesFor(role)[0]!.name} · Wrightonic`);
    }
  });

  it('lead each role to its own start', () => {
    expect(ROLES.map((role) => placesFor(role)[0]!.name)).toEqual(['Today', 'Today', 'My station', 'My day', 'My day']);
    expect(placesFor('guardian').map((p) => p.name)).toEqual(['My day', 'My delivery', 'My numbers', 'Desk']);
  });

  it('tell a named screen from one with an id, and an address that is none', () => {
    expect(rightFor('/athletes/new')).toBe('changeAthlete');
    expect(rightFor('/athletes/x')).toBe('seeAthlete');
    expect(rightFor('/athletes/x/check/')).toBe('judge');
    expect(rightFor('/nowhere')).toBeNull();
    expect(rightFor('/')).toBe('account');
  });

  it('lead up from every screen to one that the role may open, and in the end to its start', () => {
    for (const role of ROLES) {
      for (const address of files.map(addressOf)) {
        const right = rightFor(address);
        if (right === null || !may(role, right)) continue;
        const seen = [address];
        for (let up = wayUp(address, role); up !== null; up = wayUp(up.path, role)) {
          expect([role, address, may(role, rightFor(up.path)!)]).toEqual([role, address, true]);
          expect(seen).not.toContain(up.path);
          seen.push(up.path);
        }
        expect(placesFor(role).map((place) => place.path)).toContain(seen.at(-1));
      }
    }
  });

  it('name the way up by where it leads', () => {
    const id = '0190c2f4-0000-7000-8000-000000000000';
    expect(wayUp(`/athletes/${id}/clip`, 'instructor')).toEqual({ path: `/athletes/${id}/film`, name: 'All clips' });
    expect(wayUp(`/athletes/${id}/film`, 'instructor')).toEqual({ path: `/athletes/${id}`, name: 'The athlete' });
    expect(wayUp(`/athletes/${id}`, 'instructor')).toEqual({ path: '/athletes', name: 'Athletes' });
    expect(wayUp(`/athletes/${id}/run`, 'station')).toEqual({ path: '/', name: 'My station' });
    expect(wayUp('/my-run', 'athlete')).toEqual({ path: '/', name: 'My day' });
    expect(wayUp('/desk/account', 'guardian')).toEqual({ path: '/desk', name: 'Desk' });
    expect(wayUp('/drills/ladder', 'owner')).toEqual({ path: '/drills', name: 'Drills' });
    for (const path of ['/', '/athletes', '/desk', '/drills']) expect([path, wayUp(path, 'owner')]).toEqual([path, null]);
  });
});
