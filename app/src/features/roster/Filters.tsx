import type { Vocabulary } from '@wrightonic/core';
import { AGE_BANDS, ROSTER_FLAGS, ROSTER_SORTS } from '@wrightonic/contract';
import type { RosterFlag, RosterQuery } from '@wrightonic/contract';
import { FINDINGS } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { Field } from '../../ui/Field';

export type Asked = Omit<RosterQuery, 'after'>;

const FLAGS: Record<RosterFlag, string> = {
  locked: 'throwing locked',
  care: 'take care',
  'no-focus': 'no focus',
  intake: 'intake open',
  archived: 'put away',
};
const SORTS: Record<(typeof ROSTER_SORTS)[number], string> = {
  name: 'by name',
  newest: 'newest first',
  youngest: 'youngest first',
};
const FOCI_SHOWN = 6;

/** What narrows the list, in words; empty when nothing does. */
export function filterWords(asked: Asked, groupName: string | undefined, say: Vocabulary): string {
  return [
    asked.discipline,
    asked.throws ? (asked.throws === 'R' ? 'right' : 'left') : '',
    asked.ages ? (asked.ages.endsWith('-') ? `${asked.ages.slice(0, -1)} and older` : asked.ages) : '',
    groupName ?? '',
    asked.focus ? say.title(asked.focus).toLowerCase() : '',
    asked.flag ? FLAGS[asked.flag] : '',
    asked.sort && asked.sort !== 'name' ? SORTS[asked.sort] : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** All ways to narrow and order the roster. */
export function Filters({ asked, onChange }: { readonly asked: Asked; readonly onChange: (asked: Asked) => void }) {
  const palette = usePalette();
  const { data: groups = [] } = api.useGroupsQuery();
  const [focusSearch, setFocusSearch] = useState('');
  const pick = <K extends keyof Asked>(key: K, value: Asked[K]) => {
    const { [key]: old, ...rest } = asked;
    onChange(old === value ? rest : { ...rest, [key]: value });
  };
  const part = (title: string, children: React.ReactNode) => (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {title}
      </Text>
      <Row>{children}</Row>
    </View>
  );
  const foci = focusSearch.trim()
    ? FINDINGS.filter((f) => f.title.toLowerCase().includes(focusSearch.trim().toLowerCase())).slice(0, FOCI_SHOWN)
    : FINDINGS.filter((f) => f.id === asked.focus);
  return (
    <View style={{ gap: SPACE.m }} testID="filters">
      {part(
        'Delivery and hand',
        <>
          {(['overhand', 'windmill'] as const).map((d) => (
            <Choice key={d} label={d} chosen={asked.discipline === d} onPress={() => pick('discipline', d)} />
          ))}
          {(['R', 'L'] as const).map((h) => (
            <Choice key={h} label={h === 'R' ? 'right' : 'left'} chosen={asked.throws === h} onPress={() => pick('throws', h)} />
          ))}
        </>,
      )}
      {part(
        'Age',
        AGE_BANDS.map((band) => (
          <Choice
            key={band}
            label={band.endsWith('-') ? `${band.slice(0, -1)}+` : band.replace('-', '–')}
            chosen={asked.ages === band}
            onPress={() => pick('ages', band)}
          />
        )),
      )}
      {groups.length > 0
        ? part(
            'Group',
            groups.map((g) => (
              <Choice key={g.id} label={g.name} chosen={asked.group === g.id} onPress={() => pick('group', g.id)} />
            )),
          )
        : null}
      {part(
        'State',
        ROSTER_FLAGS.map((flag) => (
          <Choice
            key={flag}
            label={FLAGS[flag]}
            chosen={asked.flag === flag}
            onPress={() => pick('flag', flag)}
            testID={`flag-${flag}`}
          />
        )),
      )}
      <View style={{ gap: SPACE.xs }}>
        <Field dense label="Focus" value={focusSearch} onChangeText={setFocusSearch} />
        <Row>
          {foci.map((f) => (
            <Choice key={f.id} label={f.title} chosen={asked.focus === f.id} onPress={() => pick('focus', f.id)} />
          ))}
        </Row>
      </View>
      {part(
        'Order',
        ROSTER_SORTS.map((sort) => (
          <Choice key={sort} label={SORTS[sort]} chosen={(asked.sort ?? 'name') === sort} onPress={() => pick('sort', sort)} />
        )),
      )}
    </View>
  );
}
