import { useQuery } from '@tanstack/react-query';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { counted, plural } from '../ui/format';
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
    <div role="group" aria-label="Tried on real documents" className="basis-full text-[13px] leading-6">
      <p className="soft">
        Tried on the latest {plural(documents, 'document')}, {counted(said)} of which say something
        {wrong > 0 && <span className="text-accent">; {plural(wrong, 'value')} would not go</span>}
      </p>
      <ul>
        {values.map((each) => (
          <li key={each.before} className="flex gap-3">
            <span className="soft w-20 shrink-0">{each.number}</span>
            <span className="w-36 shrink-0 truncate" title={each.before}>
              {each.before}
            </span>
            <span className="soft w-9 shrink-0 text-right">
              {each.documents > 1 && `× ${counted(each.documents)}`}
            </span>
            <span className={`truncate ${each.problem === '' ? '' : 'text-accent'}`}>
              → {each.problem === '' ? each.after : each.problem}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
