/** Where types of packages say less than is so: each of these casts, with its reason. */
import type { UnknownAction } from '@reduxjs/toolkit';
import type { Ref } from 'react';
import type { View } from 'react-native';

/** On the web a view is an element: what a package for the web wants to hold is what React Native hands out. */
export const viewRef = (hold: (element: HTMLElement | null) => void): Ref<View> => hold as unknown as Ref<View>;

/** An object made key by key: TypeScript knows the keys of none. */
export const keyed = <T>(entries: readonly (readonly [string, unknown])[]): T => Object.fromEntries(entries) as unknown as T;

/** Puts data in the place of what a read shows; typed by Redux Toolkit for one read at a time. */
export type Upsert = (read: string, args: unknown, data: unknown) => UnknownAction;
export const upsertOf = (upsert: unknown): Upsert => upsert as Upsert;

/** The element that a view is drawn as on the web; its type knows the phones' views alone. */
export const elementOf = (view: unknown): Element | null => view as Element | null;

/**
 * Where within what was pressed a finger or pointer came down, in parts of its width and height; null where it was pressed by key.
 * On the web a press carries the browser's own event, which the type does not know.
 */
export function tappedAt(event: unknown): { readonly x: number; readonly y: number } | null {
  const { nativeEvent } = (event ?? {}) as { nativeEvent?: Partial<MouseEvent> };
  const { detail = 0, offsetX, offsetY, target } = nativeEvent ?? {};
  const element = target as Partial<HTMLElement> | null | undefined;
  const { offsetWidth, offsetHeight } = element ?? {};
  if (detail === 0 || offsetX === undefined || offsetY === undefined || !offsetWidth || !offsetHeight) return null;
  return { x: offsetX / offsetWidth, y: offsetY / offsetHeight };
}
