interface Props {
  says: string;
  disabled: boolean;
  onLeave: () => void;
}

/** The end of a small form: do it, or leave it. */
export const DoOrLeave = ({ says, disabled, onLeave }: Props) => (
  <div className="flex gap-2">
    <button type="submit" className="act act-main" disabled={disabled}>
      {says}
    </button>
    <button type="button" className="act" onClick={onLeave}>
      Leave it
    </button>
  </div>
);
