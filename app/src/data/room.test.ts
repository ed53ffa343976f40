/** @jest-environment node */
import { askToKeep, isNarrow, roomOf, roomWords } from './room';

const MB = 1024 * 1024;
const store = (usage: number | undefined, quota: number | undefined, promised = false) => ({
  estimate: () => Promise.resolve({ ...(usage === undefined ? {} : { usage }), ...(quota === undefined ? {} : { quota }) }),
  persisted: () => Promise.resolve(promised),
  persist: jest.fn(() => Promise.resolve(true)),
});

describe('the room of a device', () => {
  it('is what is left of what the browser gives, never below nothing', async () => {
    expect(await roomOf(store(40 * MB, 2_040 * MB))).toEqual({ usedMb: 40, freeMb: 2000, promised: false });
    expect(await roomOf(store(90 * MB, 60 * MB, true))).toEqual({ usedMb: 90, freeMb: 0, promised: true });
  });

  it('is unknown where the browser does not tell or fails, and then nothing is held back', async () => {
    const failing = { estimate: () => Promise.reject(new Error('closed')) };
    for (const none of [undefined, {}, store(undefined, 5 * MB), store(5 * MB, undefined), failing])
      expect(await roomOf(none as Parameters<typeof roomOf>[0])).toBeNull();
    expect(isNarrow(null)).toBe(false);
    expect(roomWords(null)).toMatch(/does not tell/);
  });

  it('says when there is little, and whether the browser keeps it', () => {
    const room = { usedMb: 12.4, freeMb: 3200, promised: true };
    expect(roomWords(room)).toBe(
      '12 MB are kept on this device; there is room for 3.2 GB more. The browser has promised to keep it.',
    );
    expect(roomWords({ ...room, promised: false })).toMatch(/may throw away/);
    expect(isNarrow({ ...room, freeMb: 49 })).toBe(true);
    expect(isNarrow({ ...room, freeMb: 50 })).toBe(false);
    expect(roomWords({ ...room, freeMb: 49 })).toMatch(/room for 49 MB more\. That is little/);
  });

  it('asks the browser to keep it, and not again where it has promised', async () => {
    const unsure = store(1, 2);
    expect(await askToKeep(unsure)).toBe(true);
    expect(unsure.persist).toHaveBeenCalledTimes(1);
    const sure = store(1, 2, true);
    expect(await askToKeep(sure)).toBe(true);
    expect(sure.persist).not.toHaveBeenCalled();
    expect(await askToKeep({})).toBe(false);
    expect(await askToKeep({ persisted: () => Promise.reject(new Error('no')) })).toBe(false);
  });
});
