import type { DeviceMessage } from '@wrightonic/contract';
import { secretOfPage } from './secret';

export interface ChannelKey {
  readonly id: string;
  readonly key: string;
}

/** Writes to a channel as a device does: with its key and no sign-in. */
export const sendTo = async ({ id, key }: ChannelKey, messages: readonly DeviceMessage[]): Promise<void> => {
  await fetch(`/api/channels/${id}/messages?key=${key}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ messages }),
  });
};

/** The channel's id and key in an address: behind the #, so that they are in no log of any server. */
export const inAddress = ({ id, key }: ChannelKey): string => `#${id}.${key}`;

/** The channel that this page was opened with, or null. */
export function channelOfPage(): ChannelKey | null {
  const [id, key] = secretOfPage().split('.');
  return id && key ? { id, key } : null;
}

/** Hears everything written to a channel from now on. @returns how to stop */
export function listenTo({ id, key }: ChannelKey, hear: (message: DeviceMessage) => void): () => void {
  const events = new EventSource(`/api/channels/${id}/live?key=${key}`);
  events.onmessage = ({ data }: MessageEvent<string>) => hear(JSON.parse(data) as DeviceMessage);
  return () => events.close();
}
