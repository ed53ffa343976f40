import { DrillSearch } from '../../../parts/DrillSearch';
import { Action } from '../../../ui/controls';
import { Screen } from '../../../ui/layout';

/** Any drill of the academy's, for a whole line. */
export function DrillPicker({ onPick, onBack }: { readonly onPick: (drill: string) => void; readonly onBack: () => void }) {
  return (
    <Screen width={640} footer={<Action label="Back to the line" onPress={onBack} />}>
      <DrillSearch label="Drill for all" onPick={onPick} />
    </Screen>
  );
}
