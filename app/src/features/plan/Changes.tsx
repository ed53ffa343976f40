import type { Broken, PlanEdit, PlanItem, PlanRequest, PlanSession } from '@wrightonic/core';
import { addDays, kitName, libraryOf, swapChoices } from '@wrightonic/core';
import type { Plan } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { Field } from '../../ui/Field';

/** What a changed plan breaks, each with the change that mends it. */
export function BrokenList({
  broken,
  onMend,
}: {
  readonly broken: readonly Broken[];
  readonly onMend: (edit: PlanEdit) => void;
}) {
  if (broken.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      {broken.slice(0, 4).map((b) => (
        <View key={`${b.date}${b.detail}`} style={{ gap: SPACE.xs }}>
          <Caution>{b.detail}</Caution>
          {b.mend ? <Action kind="quiet" label={b.mend.label} onPress={() => onMend(b.mend!.edit)} /> : null}
        </View>
      ))}
      {broken.length > 4 ? <Text variant="bodySmall">{`And ${broken.length - 4} more.`}</Text> : null}
    </View>
  );
}

const SWAPS_SHOWN = 5;
const FOUND_SHOWN = 6;

interface ItemProps {
  readonly session: PlanSession;
  readonly item: PlanItem;
  readonly plan: Plan;
  readonly request: PlanRequest;
  readonly onEdit: (edit: PlanEdit) => void;
}

/** What can be done with one item: another drill, more or fewer sets, pin, leave out. */
export function ItemChanges({ session, item, plan, request, onEdit }: ItemProps) {
  const palette = usePalette();
  const [swapping, setSwapping] = useState(false);
  const { date } = session;
  const of = { date, drill: item.drill };
  const swaps = swapping ? swapChoices(request, plan, date, item.drill).slice(0, SWAPS_SHOWN) : [];
  return (
    <View style={{ gap: SPACE.s }}>
      <Row>
        {item.focus !== null ? <Choice label="Swap" chosen={swapping} onPress={() => setSwapping(!swapping)} /> : null}
        <Choice label="One set more" chosen={false} onPress={() => onEdit({ kind: 'sets', ...of, sets: item.sets + 1 })} />
        {item.sets > 1 ? (
          <Choice label="One set less" chosen={false} onPress={() => onEdit({ kind: 'sets', ...of, sets: item.sets - 1 })} />
        ) : null}
        {item.role !== 'pinned' ? <Choice label="Pin" chosen={false} onPress={() => onEdit({ kind: 'pin', ...of })} /> : null}
        <Choice label="Leave out" chosen={false} onPress={() => onEdit({ kind: 'drop', ...of })} />
      </Row>
      {swapping && swaps.length === 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          No other drill of this rung fits the day, its kit and what is allowed.
        </Text>
      ) : null}
      {swaps.map((s) => (
        <Action
          key={s.drill}
          kind="quiet"
          label={`${libraryOf(request).drill(s.drill).name}${s.minutes === 0 ? '' : `, ${s.minutes > 0 ? '+' : '−'}${Math.abs(s.minutes)} min`}${s.kit.length > 0 ? `, ${s.kit.map(kitName).join(', ')}` : ''}${s.behind > 0.2 ? ', fits less well' : ''}`}
          onPress={() => {
            setSwapping(false);
            onEdit({ kind: 'swap', ...of, with: s.drill });
          }}
        />
      ))}
    </View>
  );
}

interface SessionProps {
  readonly session: PlanSession;
  readonly request: PlanRequest;
  readonly onEdit: (edit: PlanEdit) => void;
}

/** What can be done with a session: another day, one more drill, left out. */
export function SessionChanges({ session, request, onEdit }: SessionProps) {
  const [panel, setPanel] = useState<'none' | 'move' | 'add'>('none');
  const [search, setSearch] = useState('');
  const days = [-3, -2, -1, 1, 2, 3].map((away) => addDays(session.date, away)).filter((date) => date >= request.on);
  const words = search.trim().toLowerCase();
  const found =
    words.length < 2
      ? []
      : libraryOf(request)
          .drills.filter(
            (d) =>
              d.disciplines.includes(request.athlete.discipline) &&
              d.name.toLowerCase().includes(words) &&
              !session.items.some((i) => i.drill === d.id),
          )
          .slice(0, FOUND_SHOWN);
  return (
    <View style={{ gap: SPACE.s }}>
      <Row>
        <Choice label="Move" chosen={panel === 'move'} onPress={() => setPanel(panel === 'move' ? 'none' : 'move')} />
        <Choice label="Add a drill" chosen={panel === 'add'} onPress={() => setPanel(panel === 'add' ? 'none' : 'add')} />
        <Choice label="Leave the day out" chosen={false} onPress={() => onEdit({ kind: 'drop-session', date: session.date })} />
      </Row>
      {panel === 'move' ? (
        <Row>
          {days.map((to) => (
            <Choice
              key={to}
              label={weekDay(to)}
              chosen={false}
              onPress={() => {
                setPanel('none');
                onEdit({ kind: 'move', date: session.date, to });
              }}
            />
          ))}
        </Row>
      ) : null}
      {panel === 'add' ? (
        <>
          <Field inputMode="search" label="Name of a drill" value={search} onChangeText={setSearch} />
          {found.map((d) => (
            <Action
              key={d.id}
              kind="quiet"
              label={d.name}
              onPress={() => {
                setPanel('none');
                setSearch('');
                onEdit({ kind: 'add', date: session.date, drill: d.id });
              }}
            />
          ))}
        </>
      ) : null}
    </View>
  );
}
