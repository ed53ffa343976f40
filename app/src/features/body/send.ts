import type { DeviceMessage } from '@wrightonic/contract';

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
