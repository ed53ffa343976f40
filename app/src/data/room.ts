/** How much a device keeps and has room for, and whether its browser has promised to keep it. */

const MB = 1024 * 1024;
/** With less room nothing more is taken along, and that is said: what is tapped comes first. */
const NARROW_MB = 50;

export interface Room {
  readonly usedMb: number;
  /** As far as the browser tells. */
  readonly freeMb: number;
  /** The browser does not throw it away by itself when the device runs short. */
  readonly promised: boolean;
}

type Keeper = Pick<StorageManager, 'estimate' | 'persist' | 'persisted'>;

const keeper = (): Partial<Keeper> | undefined => (typeof navigator === 'undefined' ? undefined : navigator.storage);

/** What the browser tells of its room; null where it tells nothing. */
export async function roomOf(store: Partial<Keeper> | undefined = keeper()): Promise<Room | null> {
  try {
    const told = await store?.estimate?.();
    if (told?.quota === undefined || told.usage === undefined) return null;
    const promised = (await store?.persisted?.()) ?? false;
    return { usedMb: told.usage / MB, freeMb: Math.max(0, told.quota - told.usage) / MB, promised };
  } catch {
    return null;
  }
}

export const isNarrow = (room: Room | null): boolean => room !== null && room.freeMb < NARROW_MB;

/** Asks the browser to keep what is on the device even when room runs short; a browser that asks people back is asked once a page. */
export async function askToKeep(store: Partial<Keeper> | undefined = keeper()): Promise<boolean> {
  try {
    return ((await store?.persisted?.()) ?? false) || ((await store?.persist?.()) ?? false);
  } catch {
    return false;
  }
}

const size = (mb: number): string => (mb >= 1000 ? `${(mb / 1000).toFixed(1)} GB` : `${Math.max(1, Math.round(mb))} MB`);

/** What a device keeps, in words. */
export function roomWords(room: Room | null): string {
  if (room === null) return 'This browser does not tell how much it keeps.';
  const much = `${size(room.usedMb)} are kept on this device; there is room for ${size(room.freeMb)} more.`;
  if (isNarrow(room))
    return `${much} That is little: nothing more is taken along. Free some room before you go where there is no signal.`;
  return room.promised
    ? `${much} The browser has promised to keep it.`
    : `${much} When the device runs short of room, the browser may throw away what was taken along; send what waits before long.`;
}
