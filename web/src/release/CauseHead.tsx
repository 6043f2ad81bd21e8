import { Link } from 'react-router';
import { RowEditor } from '../map/RowEditor';
import { useCurrent } from '../app/current';
import { moneys, plural } from '../ui/format';
import { Figure } from '../help/Figure';
import { advice, placeOf } from './causes';
import { Sentence } from './Sentence';
import type { Cause } from './useRows';

interface Props {
  cause: Cause;
  /** What shares it, in one word. */
  what: string;
  fixing: boolean;
  onFix: (cause: string | null) => void;
}

/** One cause with all that shares it, and the place to put it right once. */
export function CauseHead({ cause, what, fixing, onFix }: Props) {
  const { me, route } = useCurrent();
  const elsewhere = cause.documents - cause.first;
  return (
    <div data-cause={cause.cause}>
      <div className="flex items-center gap-3">
        <span className="py-1">
          <b>
            <Sentence parts={cause.parts} />
          </b>{' '}
          {plural(cause.documents, what)},{' '}
          <Figure rule="cause" name="What the cause holds up">
            {moneys(cause.amounts)}
          </Figure>
          {elsewhere > 0 && `, ${elsewhere} of them listed under another cause`}
        </span>
        {cause.fix && me.mayChange && !fixing && (
          <button
            type="button"
            className="text-base-content ml-auto shrink-0 cursor-pointer underline"
            onClick={() => onFix(cause.cause)}
          >
            Map it once
          </button>
        )}
        {!cause.fix && me.seesBooks && (
          <span className="soft ml-auto shrink-0">
            {placeOf(cause.cause, route.code) === '' ? (
              advice(cause.cause, route.source, route.ledger)
            ) : (
              <Link className="underline" to={placeOf(cause.cause, route.code)}>
                {advice(cause.cause, route.source, route.ledger)}
              </Link>
            )}
          </span>
        )}
      </div>
      {cause.fix && fixing && (
        <RowEditor
          kind={cause.fix.kind}
          code={cause.fix.code}
          onDone={() => onFix(null)}
          action="Map it once"
        />
      )}
    </div>
  );
}
