import type { InfiniteData, UseInfiniteQueryResult } from '@tanstack/react-query';

/** All pages of a list: those that are not read yet are read one after the other. */
export async function toTheEnd<Page>(list: UseInfiniteQueryResult<InfiniteData<Page>>): Promise<Page[]> {
  let now = list;
  while (now.hasNextPage && !now.error) {
    now = await now.fetchNextPage();
  }
  if (now.error) {
    throw now.error;
  }
  return now.data?.pages ?? [];
}
