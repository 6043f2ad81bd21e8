/** What is known of one thing; several where there are several. */
export const Known = ({ values }: { values: string[] }) => {
  const known = values.filter((value) => value !== '');
  return known.length === 0 ? (
    <span className="soft block text-[13px]">none</span>
  ) : (
    known.map((value) => (
      <span key={value} className="block font-semibold break-words">
        {value}
      </span>
    ))
  );
};
