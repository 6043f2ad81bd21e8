import { Fragment } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { leadsTo } from './leadsTo';

/** What the server says, with a way to each code in it that has a place here. */
export function Sentence({ parts }: { parts: Schemas['Part'][] }) {
  const { me, route } = useCurrent();
  return parts.map((part, index) => {
    const to = me.seesBooks ? leadsTo(part, route.code) : '';
    return to === '' ? (
      <Fragment key={index}>{part.text}</Fragment>
    ) : (
      <Link key={index} className="named" to={to}>
        {part.text}
      </Link>
    );
  });
}
