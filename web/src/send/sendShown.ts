import { answer, ApiError, client, type Schemas } from '../api/client';

type Choice = Schemas['ChoiceJson'];

/** What the server compares with what it would send now. */
export const shownOf = (preview: Schemas['PreviewJson']): Schemas['ShownJson'] => ({
  count: preview.count,
  net: preview.net,
  tax: preview.tax,
  gross: preview.gross,
  hashTotal: preview.hashTotal,
});

/**
 * Sends one document of which a page shows the gross: whatever it would be now has to be that.
 *
 * @param gross as it is shown, in the document's own sign
 */
export async function sendOne(route: string, document: number, gross: string) {
  const choice: Choice = { route, ids: [document] };
  const preview = await answer(client.POST('/api/batches/preview', { body: choice }));
  if (preview.count === 1 && preview.gross.replace('-', '') !== gross.replace('-', '')) {
    throw new ApiError(
      409,
      'not-as-shown',
      `It is shown with ${gross} and would go with ${preview.gross} now. Nothing was sent; look at it again.`,
      '',
    );
  }
  return answer(client.POST('/api/batches', { body: { ...choice, shown: shownOf(preview) } }));
}
