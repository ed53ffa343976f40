import { detailsAt } from '@wrightonic/core';
import type { Discipline, Link } from '@wrightonic/core';
import { Asked } from './Asked';
import type { Said } from './use-said';

/** Telling details at a link, each with its own answers. */
export function Details({
  link,
  discipline,
  said,
}: {
  readonly link: Link;
  readonly discipline: Discipline;
  readonly said: Said;
}) {
  return (
    <>
      {detailsAt(link, discipline).map((detail) => {
        const known = said.newest('glance', (item) => item.detail === detail.id);
        return (
          <Asked
            key={detail.id}
            question={detail.question}
            answers={detail.answers.map(({ id, label }) => [id, label] as const)}
            chosen={known?.item.answer ?? null}
            onAnswer={(answer) => said.say({ kind: 'glance', detail: detail.id, answer }, known)}
            testID={detail.id}
          />
        );
      })}
    </>
  );
}
