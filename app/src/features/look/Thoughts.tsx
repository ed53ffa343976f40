import { LINKS, thoughtsAt } from '@wrightonic/core';
import type { Discipline } from '@wrightonic/core';
import { Choice } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import type { Said } from './use-said';

/** What the athlete thinks of, or was told before. */
export function Thoughts({ discipline, said }: { readonly discipline: Discipline; readonly said: Said }) {
  return (
    <Section title="Thinks of, or was told before" note="tap what you heard">
      <Row>
        {LINKS.flatMap((link) => thoughtsAt(link, discipline)).map(({ id, text }) => {
          const known = said.newest('told', (item) => item.thought === id);
          return (
            <Choice
              key={id}
              label={text}
              chosen={known !== null}
              onPress={() => said.say({ kind: 'told', thought: id }, known)}
              testID={`told-${id}`}
            />
          );
        })}
      </Row>
    </Section>
  );
}
