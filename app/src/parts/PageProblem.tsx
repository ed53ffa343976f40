import { problemOf } from '../data/api';
import { Blank } from '../ui/controls';
import { Screen } from '../ui/layout';

/** In the place of a page that could not be read: what went wrong, and what to do about it. */
export function PageProblem({ error }: { readonly error: unknown }) {
  const { title, detail } = problemOf(error);
  return (
    <Screen width={520}>
      <Blank page title={title}>
        {detail}
      </Blank>
    </Screen>
  );
}
