import { drillById, drillPoses, RUNG_NAMES } from '@wrightonic/core';
import type { Discipline, Hand, PlanItem, PlanSession } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../state/api';
import Icon from '../../ui/icons';
import { Mannequin } from '../../ui/Mannequin';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../ui/theme';
import { useWordsFor } from '../../ui/use-words';

interface Body {
  readonly discipline: Discipline;
  readonly throws: Hand;
  readonly age: number;
}

const METRES_PER_FOOT = 0.3048;

export function doseText(item: PlanItem, unit: 'cm' | 'in' = 'cm'): string {
  const hold = item.holdS ? `, held ${item.holdS} s` : '';
  const effort = item.throws > 0 ? `, ${item.effort[0]}–${item.effort[1]} %` : '';
  const far = item.distanceM ?? 0;
  const distance = far > 0 ? (unit === 'cm' ? `, ${far} m` : `, ${Math.round(far / METRES_PER_FOOT)} ft`) : '';
  return `${item.sets} × ${item.reps}${hold}${effort}${distance}`;
}

function Detail({ name, children }: { readonly name: string; readonly children: string }) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.m }}>
      <Text variant="bodySmall" style={{ width: 84, color: palette.soft }}>
        {name}
      </Text>
      <Text variant="bodySmall" style={{ flex: 1 }}>
        {children}
      </Text>
    </View>
  );
}

function Item({ item, discipline, throws, age }: { readonly item: PlanItem } & Body) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const drill = drillById(item.drill);
  const { add, remove } = item.constraints;
  const { data: me } = api.useMeQuery();
  const inWords = useWordsFor(age);
  const dose = doseText(item, me?.academy.lengthUnit);
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${drill.name}, ${dose}`}
        onPress={() => setOpen(!open)}
        style={{ flexDirection: 'row', alignItems: 'center', minHeight: TARGET, gap: SPACE.s, paddingVertical: 6 }}
      >
        <Text
          style={{
            width: 22,
            fontFamily: NUMBER_FONT,
            fontWeight: '600',
            fontSize: 20,
            color: item.role === 'main' ? palette.spruce : palette.soft,
          }}
        >
          {item.rung}
        </Text>
        <View style={{ flex: 1 }}>
          <Text variant="bodyMedium" style={{ fontWeight: item.role === 'main' || item.role === 'test' ? '600' : '400' }}>
            {drill.name}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`${dose} · ${item.minutes} min`}
          </Text>
        </View>
        <Icon name={open ? 'chevron-up' : 'chevron-down'} color={palette.soft} />
      </Pressable>
      {open ? (
        <View style={{ gap: 6, paddingBottom: SPACE.m }}>
          <Mannequin poses={drillPoses(drill, discipline)} throws={throws} moving height={150} label={`Figure: ${drill.name}`} />
          <Detail name="Rung">{`${item.rung}, ${RUNG_NAMES[item.rung].toLowerCase()}`}</Detail>
          <Detail name="Set up">{drill.setup}</Detail>
          <Detail name="Cue">{inWords(item.cue)}</Detail>
          <Detail name="Good looks like">{item.success}</Detail>
          <Detail name="Watch for">{drill.cheats.map((c) => `${c.label}: ${c.counter}`).join('. ')}</Detail>
          {add.length > 0 ? <Detail name="Add">{add.join(', ')}</Detail> : null}
          {remove.length > 0 ? <Detail name="Take away">{remove.join(', ')}</Detail> : null}
          {drill.cautions.length > 0 ? <Detail name="Caution">{drill.cautions.join(' ')}</Detail> : null}
          <Detail name="Why now">{item.why}</Detail>
        </View>
      ) : null}
    </View>
  );
}

/** A session's items; each opens to what, how many, cue, what good looks like, what to watch for and why now. */
export function SessionItems({ session, ...body }: { readonly session: PlanSession } & Body) {
  const palette = usePalette();
  return (
    <View>
      {session.note ? (
        <Text variant="bodySmall" style={{ color: palette.clay, paddingBottom: 4 }}>
          {session.note}
        </Text>
      ) : null}
      {session.items.map((item, i) => (
        <Item key={`${item.drill}-${i}`} item={item} {...body} />
      ))}
    </View>
  );
}
