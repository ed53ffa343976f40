import { useEffect, useState } from 'react';
import { BadVideo } from './film-info';
import { FrameSource } from './frames';

export interface OpenClip {
  readonly source: FrameSource | null;
  readonly problem: string | null;
}

/** Opens a clip for stepping, and lets go of it when the screen closes. */
export function useFrames(file: Blob | string | null): OpenClip {
  const [open, setOpen] = useState<OpenClip>({ source: null, problem: null });
  useEffect(() => {
    if (file === null) return undefined;
    let source: FrameSource | null = null;
    let gone = false;
    FrameSource.open(file).then(
      (opened) => {
        if (gone) opened.close();
        else setOpen({ source: (source = opened), problem: null });
      },
      (error: unknown) => {
        if (gone) return;
        setOpen({
          source: null,
          problem: error instanceof BadVideo ? error.message : 'The clip cannot be opened here. Try again with a connection.',
        });
      },
    );
    return () => {
      gone = true;
      source?.close();
    };
  }, [file]);
  return open;
}
