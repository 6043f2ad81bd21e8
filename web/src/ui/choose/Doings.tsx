import { Menu, MenuItem } from 'react-aria-components';

export interface Doing {
  says: string;
  act: () => void;
}

/** Things to do, one of them: moved through by the arrows or by the first letters. */
export default function Doings({
  label,
  doings,
  onDone,
}: {
  label: string;
  doings: Doing[];
  onDone: () => void;
}) {
  return (
    <Menu
      aria-label={label}
      autoFocus="first"
      className="w-48 outline-none"
      onAction={(says) => {
        onDone();
        doings.find((each) => each.says === says)?.act();
      }}
    >
      {doings.map(({ says }) => (
        <MenuItem
          key={says}
          id={says}
          textValue={says}
          className="data-[focused]:bg-base-200 cursor-pointer rounded-sm px-2 py-1 outline-none"
        >
          {says}
        </MenuItem>
      ))}
    </Menu>
  );
}
