import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { conventionsQuery, meQuery } from '../api/queries';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';

type Said = Schemas['WantedConventions'];
type Now = Schemas['ConventionsJson'];

const CHOICES: { of: keyof Now; name: string; choices: Record<string, string> }[] = [
  {
    of: 'days',
    name: 'Days',
    choices: { DAY_MONTH: '19 Nov 2026', MONTH_DAY: 'Nov 19, 2026', ISO: '2026-11-19' },
  },
  {
    of: 'figures',
    name: 'Figures',
    choices: {
      COMMA_POINT: '1,234.56',
      POINT_COMMA: '1.234,56',
      SPACE_COMMA: '1 234,56',
      APOSTROPHE_POINT: '1’234.56',
    },
  },
  {
    of: 'weekBegins',
    name: 'Week begins on',
    choices: { MONDAY: 'Monday', SATURDAY: 'Saturday', SUNDAY: 'Sunday' },
  },
  {
    of: 'zone',
    name: 'Time zone',
    choices: Object.fromEntries(Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone])),
  },
];

/** How dates and figures are written: by oneself, and, for administrators, by the business. */
export function ConventionsForm() {
  const { me } = useSession();
  const said = useQuery(conventionsQuery);
  if (said.error) {
    return <Failure error={said.error} />;
  }
  return (
    said.data && (
      <section aria-label="Dates and figures">
        <h2 className="title mb-2">How you write dates and figures</h2>
        <Choices
          said={said.data.own}
          otherwise="as the business"
          now={said.data.now}
          path="/api/session/conventions"
        />
        {me.role === 'ADMINISTRATOR' && (
          <>
            <h2 className="title mt-5 mb-2">How the business writes them</h2>
            <Choices
              said={said.data.business}
              otherwise="as usual here"
              now={said.data.now}
              path="/api/people/conventions"
            />
          </>
        )}
      </section>
    )
  );
}

interface Props {
  said: Said;
  otherwise: string;
  now: Now;
  path: '/api/session/conventions' | '/api/people/conventions';
}

/** What is chosen is written so at once, on this page too. */
function Choices({ said, otherwise, now, path }: Props) {
  const queries = useQueryClient();
  const notice = useNotice();
  const say = useMutation({
    mutationFn: (next: Said) => answer(client.PUT(path, { body: next })),
    onSuccess: async () => {
      await queries.refetchQueries({ queryKey: meQuery.queryKey });
      await queries.invalidateQueries();
    },
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
  return (
    <div className="flex flex-col gap-2">
      {CHOICES.map(({ of, name, choices }) => (
        <label key={of} className="grid grid-cols-[96px_1fr] items-center gap-2">
          {name}
          <select
            className="field min-w-0"
            value={said[of] ?? ''}
            disabled={say.isPending}
            onChange={(event) => say.mutate({ ...said, [of]: event.target.value || undefined })}
          >
            <option value="">{said[of] ? otherwise : `${otherwise}: ${choices[now[of]] ?? now[of]}`}</option>
            {Object.entries(choices).map(([choice, says]) => (
              <option key={choice} value={choice}>
                {says}
              </option>
            ))}
          </select>
        </label>
      ))}
    </div>
  );
}
