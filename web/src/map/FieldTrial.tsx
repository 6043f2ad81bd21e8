import { useQuery } from '@tanstack/react-query';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import type { Meaning } from './meaning';
import { trialQuery } from './queries';

interface Props {
  code: string;
  meaning: Meaning;
}

/** What a row of a field would make of the latest documents, before it is kept. */
export function FieldTrial({ code, meaning }: Props) {
  const { route } = useCurrent();
  const trial = useQuery(trialQuery(route.code, code, meaning));
  if (trial.error) {
    return <Failure error={trial.error} />;
  }
  if (!trial.data) {
    return <span className="soft basis-full text-[13px]">Trying it on the latest documents…</span>;
  }
  const { documents, said, values } = trial.data;
  if (values.length === 0) {
    return (
      <p className="soft basis-full text-[13px]">
        None of the latest {plural(documents, 'document')} says anything there.
      </p>
    );
  }
  const wrong = values.filter((each) => each.problem !== '').length;
  return (
    <table aria-label="Tried on real documents" className="basis-full text-[13px]">
      <caption className="soft text-left">
        Tried on the latest {plural(documents, 'document')}, {said} of which say something
        {wrong > 0 && <span className="text-accent">; {plural(wrong, 'value')} would not go</span>}
      </caption>
      <tbody>
        {values.map((each) => (
          <tr key={each.before}>
            <td className="w-20 pr-3">{each.number}</td>
            <td className="max-w-40 truncate pr-3" title={each.before}>
              {each.before}
            </td>
            <td className="amount w-12 pr-3">{each.documents > 1 && `× ${each.documents}`}</td>
            <td className={each.problem === '' ? '' : 'text-accent'}>→ {each.after || each.problem}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
