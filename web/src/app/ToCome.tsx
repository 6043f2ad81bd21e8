import { useLocation } from 'react-router';
import { TO_COME } from './stops';

/** What a stop will be for, as long as it is not built. */
export function ToCome() {
  const { pathname } = useLocation();
  const stop = TO_COME.find((each) => each.path === pathname);
  return (
    <section aria-label={stop?.name} className="sheet p-8">
      <h1 className="title mb-2 text-[20px]">{stop?.name} is to come</h1>
      <p className="max-w-[640px]">{stop?.will}</p>
      <p className="soft mt-2 max-w-[640px]">
        Nothing before it depends on it: what was sent is posted, and both sides of each document can be
        looked at from Release.
      </p>
    </section>
  );
}
