import Box from '@mui/material/Box';
import { BigButton } from '../findings/big-button';

/** The answers of a step, always in the same place: the big one is the way on. */
export function AnswerBar({
  fine,
  onFine,
  fineDisabled = false,
  onFound,
  onUnseen,
  onBack,
  onInterrupted,
}: {
  readonly fine: string;
  readonly onFine: () => void;
  readonly fineDisabled?: boolean;
  readonly onFound: () => void;
  readonly onUnseen: () => void;
  readonly onBack: (() => void) | null;
  readonly onInterrupted: () => void;
}) {
  return (
    <Box
      sx={{
        position: 'sticky',
        bottom: 0,
        mt: 'auto',
        background: 'var(--paper)',
        p: '10px 0 14px',
        display: 'grid',
        gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
        gap: 1,
      }}
    >
      <Box
        component="button"
        type="button"
        disabled={fineDisabled}
        onClick={onFine}
        sx={{
          gridColumn: '1 / -1',
          minHeight: 76,
          font: 'inherit',
          fontSize: 23,
          fontWeight: 700,
          borderRadius: '6px',
          cursor: 'pointer',
          touchAction: 'manipulation',
          background: fineDisabled ? 'var(--card)' : 'var(--sea)',
          color: fineDisabled ? 'var(--soft)' : 'var(--on-sea)',
          border: fineDisabled ? '2px dashed var(--ink)' : '2px solid var(--sea)',
        }}
      >
        {fine}
      </Box>
      <BigButton onClick={onFound}>Found something</BigButton>
      <BigButton onClick={onUnseen}>Could not see it</BigButton>
      <BigButton
        disabled={onBack === null}
        onClick={() => {
          onBack?.();
        }}
      >
        Back
      </BigButton>
      <BigButton onClick={onInterrupted}>I was interrupted</BigButton>
    </Box>
  );
}
