import type { AthleteOverview } from '@wrightonic/contract';
import { Figure } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { weekDay } from '../../ui/words';

/** Is the arm safe, what is today, is it moving: before anything is scrolled. */
export function Glance({ data, unit }: { readonly data: AthleteOverview; readonly unit: string }) {
  const { today } = data.workload;
  const series = data.speed?.series ?? [];
  const gain = series.length > 1 ? series[series.length - 1]!.level - series[0]!.level : null;
  const work = data.today && !data.today.done ? `${data.today.session.minutes} min` : 'none';
  return (
    <Row style={{ gap: SPACE.xl, flexWrap: 'nowrap' }}>
      <Figure
        value={today.locked ? 'locked' : String(today.throwsLeft)}
        label={today.locked ? 'throwing' : 'throws left'}
        tone={today.throwsLeft === 0 ? 'clay' : undefined}
      />
      <Figure value={work} label="work today" />
      <Figure
        value={gain === null ? '–' : `${gain >= 0 ? '+' : '−'}${Math.abs(gain).toFixed(1)}`}
        label={gain === null ? 'no trend yet' : `${unit} since ${weekDay(series[0]!.date)}`}
      />
    </Row>
  );
}
