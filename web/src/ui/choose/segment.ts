/** The look of one part of a day or a time that is typed. */
export const SEGMENT =
  'data-[focused]:bg-secondary data-[focused]:text-secondary-content rounded-sm px-0.5 outline-none';
