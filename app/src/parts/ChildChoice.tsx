import { api } from '../data/api';
import { childChosen } from '../data/shell';
import { useAppDispatch } from '../data/store';
import { Choice } from '../ui/controls';
import { Row } from '../ui/layout';
import { useOwnAthlete } from './use-own-athlete';

/** For a guardian of several children: whose page this is. */
export function ChildChoice() {
  const dispatch = useAppDispatch();
  const { data: me } = api.useMeQuery();
  const own = useOwnAthlete();
  if (!me || me.athletes.length < 2) return null;
  return (
    <Row>
      {me.athletes.map((child) => (
        <Choice key={child.id} label={child.name} chosen={child.id === own} onPress={() => dispatch(childChosen(child.id))} />
      ))}
    </Row>
  );
}
