/** Says what an action will do, beside the button that does it. */
export function Sure(props: { says: string; action: string; onDo: () => void; onLeave: () => void }) {
  return (
    <div className="border-accent my-2 flex flex-wrap items-center gap-2 border-l-[3px] pl-3">
      <p className="basis-full">{props.says}</p>
      <button type="button" className="act act-main" onClick={props.onDo}>
        {props.action}
      </button>
      <button type="button" className="act" onClick={props.onLeave}>
        Leave it
      </button>
    </div>
  );
}
