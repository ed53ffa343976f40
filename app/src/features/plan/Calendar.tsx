import { DndContext, KeyboardSensor, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import type { PlanSession } from '@wrightonic/core';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { NUMBER_FONT, RADIUS, SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { sessionLine } from './days';
import type { WeekOfDays } from './days';
import { viewRef } from '../../boundary';

interface CalendarProps {
  readonly weeks: readonly WeekOfDays[];
  readonly first: number;
  readonly open: string | null;
  readonly brokenOn: ReadonlySet<string>;
  readonly movable: boolean;
  readonly onOpen: (date: string) => void;
  readonly onMove: (date: string, to: string) => void;
}

/** Pixels before a press becomes a drag, so that a tap stays a tap. */
const DRAG_FROM = 8;

/** The plan on a wide screen: a row for each week, a column for each day; a session is dragged to another day, by keyboard too. */
export function Calendar({ weeks, first, open, brokenOn, movable, onOpen, onMove }: CalendarProps) {
  const palette = usePalette();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM } }),
    useSensor(KeyboardSensor),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(String(active.id), String(over.id));
  };
  return (
    <DndContext sensors={sensors} onDragEnd={onDragEnd}>
      <View role="table" aria-label="Plan by weeks and days" style={{ gap: 6 }}>
        {weeks.map((week, n) => (
          <View key={week.from} role="row" style={{ flexDirection: 'row', gap: 6 }}>
            <View style={{ width: 74, justifyContent: 'center' }}>
              <Text variant="titleSmall">{`Week ${first + n}`}</Text>
              <Text style={{ fontFamily: NUMBER_FONT, fontSize: 15 }}>{`${week.throws}/${week.target}`}</Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                {[week.light ? 'light' : '', week.games > 0 ? `games ${week.games}` : ''].filter(Boolean).join(', ')}
              </Text>
            </View>
            {week.days.map(({ date, session }) => (
              <Cell key={date} date={date}>
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {weekDay(date)}
                </Text>
                {session ? (
                  <SessionCard
                    session={session}
                    open={open === date}
                    broken={brokenOn.has(date)}
                    movable={movable}
                    onOpen={() => onOpen(date)}
                  />
                ) : null}
              </Cell>
            ))}
          </View>
        ))}
      </View>
    </DndContext>
  );
}

function Cell({ date, children }: { readonly date: string; readonly children: React.ReactNode }) {
  const palette = usePalette();
  const { setNodeRef, isOver } = useDroppable({ id: date });
  return (
    <View
      ref={viewRef(setNodeRef)}
      role="cell"
      style={{
        flex: 1,
        minWidth: 0,
        minHeight: 84,
        padding: 4,
        borderRadius: RADIUS,
        borderWidth: isOver ? 2 : 1,
        borderColor: isOver ? palette.spruce : palette.line,
      }}
    >
      {children}
    </View>
  );
}

interface CardProps {
  readonly session: PlanSession;
  readonly open: boolean;
  readonly broken: boolean;
  readonly movable: boolean;
  readonly onOpen: () => void;
}

function SessionCard({ session, open, broken, movable, onOpen }: CardProps) {
  const palette = usePalette();
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: session.date, disabled: !movable });
  const moved = transform ? [{ translateX: transform.x }, { translateY: transform.y }] : [];
  return (
    <View
      ref={viewRef(setNodeRef)}
      {...(listeners as object)}
      {...(movable ? { 'aria-describedby': attributes['aria-describedby'] } : {})}
      style={{ transform: moved, zIndex: transform ? 5 : 0 }}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onOpen}
        style={{
          borderRadius: RADIUS,
          borderLeftWidth: 4,
          borderColor: broken ? palette.clay : session.throws > 0 ? palette.spruce : palette.line,
          backgroundColor: open ? palette.spruceWash : palette.sheet,
          padding: SPACE.xs,
          gap: 1,
        }}
      >
        <Text variant="bodySmall" style={{ fontWeight: '600' }}>
          {sessionLine(session)}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>{`${session.place}, ${session.minutes} min`}</Text>
        {broken ? (
          <Text variant="bodySmall" style={{ color: palette.clay, fontWeight: '600' }}>
            breaks a rule
          </Text>
        ) : null}
      </Pressable>
    </View>
  );
}
