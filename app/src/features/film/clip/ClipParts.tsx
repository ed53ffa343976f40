import { Caution } from '../../../ui/controls';
import { Section } from '../../../ui/layout';
import { useUnits } from '../../../ui/units';
import { weekDay } from '../../../ui/words';
import { DrawPanel } from './DrawPanel';
import { EventsPanel } from './EventsPanel';
import { JointsPanel } from './JointsPanel';
import { MeasuresPanel } from '../measures/MeasuresPanel';
import { RemoveClip } from './RemoveClip';
import { ScalePanel } from './ScalePanel';
import { setupWarnings } from '../media/set-up';
import { saveSnapshot } from '../marks/snapshot';
import { TrimPanel } from './TrimPanel';
import type { ClipDesk, OpenClip } from './use-clip-desk';
import { WrongClip } from './WrongClip';

interface Props {
  readonly open: OpenClip;
  readonly desk: ClipDesk;
}

function Measures({ open: { id, overview, clip, mayMark }, desk }: Props) {
  const units = useUnits();
  const { marks, change, marking, measured, go } = desk;
  const { athlete, age } = overview;
  return (
    <>
      {setupWarnings(clip.setup, units).map((warning) => (
        <Caution key={warning}>{warning}</Caution>
      ))}
      {mayMark ? (
        <Section title="Scale">
          <ScalePanel
            marks={marks}
            heightM={athlete.heightM}
            work={marking.scaling}
            onWork={marking.setScaling}
            onChange={change}
          />
        </Section>
      ) : null}
      {measured && measured.faults.length > 0 ? (
        <WrongClip athlete={id} clip={clip} faults={measured.faults} marks={marks} onChange={mayMark ? change : null} />
      ) : null}
      <MeasuresPanel measures={measured?.measures ?? null} discipline={athlete.discipline} age={age} marks={marks} onFrame={go} />
    </>
  );
}

function Drawing({ open: { id, overview, clip, source }, desk }: Props) {
  const { marks, change, marking, frame, to } = desk;
  return (
    <>
      <DrawPanel
        marks={marks}
        frame={frame}
        last={to}
        tool={marking.tool}
        onTool={marking.setTool}
        note={marking.note}
        onNote={marking.setNote}
        begun={marking.begun}
        onChange={change}
        onSnapshot={() => void saveSnapshot(source, frame, marking.paint, `${overview.athlete.name}, ${weekDay(clip.on)}`)}
      />
      <TrimPanel marks={marks} frame={frame} frames={source.info.frames} onChange={change} />
      <RemoveClip athlete={id} clip={clip.id} />
    </>
  );
}

/** What is done with the clip: its events, joints, measures or drawings. */
export function ClipPart({ open, desk }: Props) {
  const { marks, change, marking, tracking, fps, frame, from, to, go, suggest } = desk;
  switch (desk.part) {
    case 'events':
      return (
        <EventsPanel
          marks={marks}
          discipline={open.overview.athlete.discipline}
          fps={fps}
          frame={frame}
          onFrame={go}
          onChange={open.mayMark ? change : null}
          onSuggest={suggest}
        />
      );
    case 'joints':
      return (
        <JointsPanel
          marks={marks}
          frame={frame}
          joint={marking.joint}
          onJoint={marking.setJoint}
          onChange={change}
          tracking={tracking.state}
          onTrack={() => tracking.start(open.file, from, to)}
          onStop={tracking.stop}
        />
      );
    case 'measures':
      return <Measures open={open} desk={desk} />;
    case 'draw':
      return <Drawing open={open} desk={desk} />;
  }
}
