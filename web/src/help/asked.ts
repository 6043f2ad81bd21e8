/** The figure that one is on, with the focus or with the pointer. */
export const figureAsked = (): HTMLElement | null =>
  document.querySelector<HTMLElement>('.figure:focus') ??
  document.querySelector<HTMLElement>('.figure:hover');
