import { Entry } from '@/ui/controls';

/** Who changes what the shop goes by, and the press that keeps it; above them, why it was not kept. */
export const ChangedBy = ({
  by,
  onBy,
  keep,
  problem,
}: {
  by: string;
  onBy: (by: string) => void;
  /** What the button says. */
  keep: string;
  problem: string | undefined;
}) => (
  <>
    {problem && (
      <p role="alert" className="mt-2 font-semibold text-oxide">
        {problem}
      </p>
    )}
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <Entry
        label="changed by (role or initials)"
        value={by}
        maxLength={40}
        onChange={(event) => onBy(event.target.value)}
      />
      <button type="submit" className="solid">
        {keep}
      </button>
    </div>
  </>
);
