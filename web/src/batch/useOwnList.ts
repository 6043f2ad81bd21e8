import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { postFiles, type Schemas } from '../api/client';

type Asked = Schemas['OwnListAsked'];

/** How it is to be read; what is not said is recognised. */
export type HowRead = Omit<Asked, 'choice'>;

/** A list of somebody's own, read anew whenever the batch, or how it is to be read, becomes another. */
export function useOwnList(choice: Asked['choice'], preview: Schemas['PreviewJson']) {
  const [file, setFile] = useState<File | null>(null);
  const [how, setHow] = useState<HowRead>({});
  const which = file === null ? '' : `${file.name} ${file.size} ${file.lastModified}`;
  const reading = useQuery({
    queryKey: [
      'own-list',
      which,
      { ...choice, gross: preview.gross, hash: preview.hashTotal, count: preview.count },
      how,
    ],
    queryFn: () =>
      postFiles<Schemas['OwnListRead']>('/api/batches/own-list', file ? [file] : [], { choice, ...how }),
    enabled: file !== null,
    // Of another file nothing is shown.
    placeholderData: (known, before) => (before?.queryKey[1] === which ? known : undefined),
    staleTime: Infinity,
    retry: false,
  });
  const read = file && !reading.error ? reading.data : undefined;
  return {
    file,
    read,
    error: file ? reading.error : null,
    how,
    readAs: (said: HowRead) => setHow({ ...how, ...said }),
    take: (taken: File | null) => {
      setFile(taken);
      setHow({});
    },
    /** Whether there is none, or it has been read and understood. */
    isSettled: file === null || (read?.id !== undefined && !reading.isFetching),
  };
}

export type OwnListRead = ReturnType<typeof useOwnList>;
