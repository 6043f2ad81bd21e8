import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { moment, plural } from '../ui/format';

interface Props {
  runs: Schemas['FailedRunsJson'];
  route: string;
}

/** While runs fail, nothing new is known of either side; the button above, or its key, runs it again. */
export const RunsFailed = ({ runs, route }: Props) => (
  <p
    role="status"
    data-failed-runs={runs.count}
    className="sheet border-error mb-2.5 flex flex-wrap items-center gap-3 border-l-[3px] px-4 py-2"
  >
    <span>
      <b>{runs.count === 1 ? 'The last run failed' : `The last ${plural(runs.count, 'run')} failed`}</b>,
      since {moment(runs.since)}: {runs.sentence} What is shown below is as it was before.{' '}
      <b>Fetch both sides</b> above runs it again.
    </span>
    <Link className="act ml-auto" to={`/connect?view=runs&run=${runs.last}&route=${route}`}>
      See the runs
    </Link>
  </p>
);
