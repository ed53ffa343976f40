import { act, renderHook } from '@testing-library/react-native';
import type { DeviceMessage } from '@wrightonic/contract';
import { useRadar } from './use-radar';
import type { Heard, OpenThrow } from './use-radar';

let hear: ((message: DeviceMessage) => void) | null = null;
jest.mock('../../../data/channel', () => ({
  listenTo: (_: unknown, listener: (message: DeviceMessage) => void) => {
    hear = listener;
    return () => undefined;
  },
}));
jest.mock('../../../data/api', () => ({
  api: {
    usePutChannelMutation: () => [
      () => ({ unwrap: () => Promise.resolve({ id: 'c', key: 'k', expiresAt: '' }) }),
      { isLoading: false },
    ],
  },
}));
jest.mock('../../../data/ids', () => ({ newId: () => 'c' }));

const OWN = [68, 69, 70, 67, 68];
let logged: [number, string | null][];

async function open(throws: readonly OpenThrow[] = []) {
  logged = [];
  const onSpeed = (heard: Heard, rep: string | null) => void logged.push([heard.speed, rep]);
  const view = renderHook(
    ({ open: left }: { open: readonly OpenThrow[] }) =>
      useRadar({ age: 16, discipline: 'overhand', own: OWN, open: left }, onSpeed),
    { initialProps: { open: throws } },
  );
  await act(() => view.result.current.connect());
  return view;
}
const read = (n: number, speed: number, agoMs = 300, unit: 'mph' | 'km/h' = 'mph') =>
  act(() => hear!({ kind: 'speed', n, speed, unit, agoMs }));

describe('a radar', () => {
  it('gives a speed to the throw that was tapped just before it', async () => {
    const { result } = await open([{ id: 'r1', at: Date.now() - 1000 }]);
    read(1, 69);
    expect(logged).toEqual([[69, 'r1']]);
    expect(result.current.heard).toEqual([]);
  });

  it('keeps a speed for the throw that is tapped after it', async () => {
    const { result } = await open();
    read(1, 69);
    expect(logged).toEqual([]);
    act(() => result.current.tapped({ id: 'r1', at: Date.now() + 2000 }));
    expect(logged).toEqual([[69, 'r1']]);
    expect(result.current.heard).toEqual([]);
  });

  it('asks which throw, when two may have been it, and which speed, when two wait', async () => {
    const { result } = await open([
      { id: 'r1', at: Date.now() - 2000 },
      { id: 'r2', at: Date.now() - 1000 },
    ]);
    read(1, 69);
    expect(result.current.heard[0]).toMatchObject({ doubt: 'several' });
    act(() => result.current.keep(result.current.heard[0]!, 'r2'));
    expect(logged).toEqual([[69, 'r2']]);

    const other = await open();
    read(1, 68, 9000);
    read(2, 70, 300);
    act(() => other.result.current.tapped({ id: 'r1', at: Date.now() }));
    expect(logged).toEqual([]);
    expect(other.result.current.heard.map((h) => h.doubt)).toEqual(['several', 'several']);
  });

  it('questions a bat and a car, and takes neither by itself', async () => {
    const { result } = await open([{ id: 'r1', at: Date.now() - 1000 }]);
    read(1, 31);
    read(2, 96);
    expect(logged).toEqual([]);
    expect(result.current.heard.map((h) => h.doubt)).toEqual(['slow', 'fast']);
    act(() => result.current.drop(result.current.heard[0]!));
    expect(result.current.heard.map((h) => h.speed)).toEqual([96]);
  });

  it('reads the same ball once, a resent message once, and says what was lost', async () => {
    const { result } = await open([{ id: 'r1', at: Date.now() - 500 }]);
    read(1, 69, 900);
    read(2, 65.5, 300);
    read(2, 65.5, 2300);
    expect(logged).toEqual([[69, 'r1']]);
    expect(result.current.heard).toEqual([]);
    read(5, 68);
    expect(result.current.lost).toBe(2);
  });

  it('takes kilometres for what they are', async () => {
    await open([{ id: 'r1', at: Date.now() - 500 }]);
    read(1, 111, 300, 'km/h');
    expect(logged).toEqual([[111, 'r1']]);
  });
});
