import { useCallback, useState } from 'react';
import { type Making, MakingDialog } from './MakingDialog.tsx';
import { SmallButton } from './SmallButton.tsx';

interface Props {
  readonly label: string;
  /** Where the job is asked for. */
  readonly path: string;
  readonly query?: Making['query'];
}

/** A button that has a document made and saved, with the dialog of its making. */
export function MakingButton({ label, path, query = {} }: Props) {
  // Kept as it was asked for, and its end with it: the dialog begins again where either is another one.
  const [making, setMaking] = useState<Making | null>(null);
  const end = useCallback(() => setMaking(null), []);
  return (
    <>
      <SmallButton onClick={() => setMaking({ label, path, query })}>{label}</SmallButton>
      {making && <MakingDialog making={making} onClose={end} />}
    </>
  );
}
