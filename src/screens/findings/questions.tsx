import Box from '@mui/material/Box';
import type { ReactNode, Ref } from 'react';
import type { FindingInput } from '@/contracts/findings/report-finding';
import { keep, type KeptFinding } from '../data/kept-findings';
import { BigButton } from './big-button';
import { LOOKS } from './looks';
import { PhotoTaker } from './photo-taker';
import { Choices, ThumbBar } from './ramp-frame';

/** A finding that nobody has written anything of yet. */
export function freshFinding(
  writer: { readonly personId: string; readonly clubId: string | null },
  aircraft: { readonly aircraftId: string; readonly registration: string },
  at: Partial<KeptFinding['finding']> = {},
): KeptFinding {
  const findingId = crypto.randomUUID();
  return {
    findingId,
    personId: writer.personId,
    clubId: writer.clubId,
    registration: aircraft.registration,
    ready: 0,
    photo: null,
    photoId: crypto.randomUUID(),
    wordsSent: false,
    trouble: null,
    finding: {
      findingId,
      aircraftId: aircraft.aircraftId,
      station: null,
      side: null,
      step: null,
      asListed: false,
      what: '',
      looks: null,
      foundAt: '',
      ...at,
    },
  };
}

/** The same with something changed, kept on the phone at once. It was found when its first word was written. */
export function changedFinding(
  kept: KeptFinding,
  part: Partial<KeptFinding['finding']>,
  more: Partial<KeptFinding> = {},
): { readonly next: KeptFinding; readonly isKept: Promise<unknown> } {
  const { finding } = kept;
  const foundAt = finding.foundAt === '' ? new Date().toISOString() : finding.foundAt;
  const next = { ...kept, ...more, finding: { ...finding, ...part, foundAt } };
  return { next, isKept: keep(next) };
}

/** The heading of a question. */
export function Asked({
  children,
  heading,
}: {
  readonly children: ReactNode;
  readonly heading?: Ref<HTMLHeadingElement> | undefined;
}) {
  return (
    <Box
      component="h1"
      ref={heading}
      tabIndex={-1}
      sx={{ fontSize: 26, lineHeight: 1.15, my: 1.5, mx: 0, outline: 'none' }}
    >
      {children}
    </Box>
  );
}

/** What somebody sees, in their own words and in a picture. @param children shown above it, such as what it is compared with */
export function Describe({
  kept,
  hint,
  heading,
  children = null,
  onWhat,
  onPhoto,
  onBack,
  onSave,
}: {
  readonly kept: KeptFinding;
  readonly hint: string;
  readonly heading?: Ref<HTMLHeadingElement> | undefined;
  readonly children?: ReactNode;
  readonly onWhat: (what: string) => void;
  readonly onPhoto: (photo: Blob) => void;
  readonly onBack: () => void;
  readonly onSave: () => void;
}) {
  const isEmpty = kept.finding.what.trim() === '';
  return (
    <>
      <Asked heading={heading}>What do you see?</Asked>
      {children}
      <Box component="label" htmlFor="what" sx={{ fontSize: 17 }}>
        {hint}
      </Box>
      <Box
        component="textarea"
        id="what"
        rows={4}
        maxLength={1000}
        value={kept.finding.what}
        onChange={(event) => {
          onWhat(event.target.value);
        }}
        sx={{
          width: '100%',
          boxSizing: 'border-box',
          font: 'inherit',
          fontSize: 18,
          p: 1.5,
          m: '8px 0 12px',
          border: '2px solid var(--ink)',
          borderRadius: '6px',
          bgcolor: 'var(--card)',
          color: 'var(--ink)',
        }}
      />
      <PhotoTaker key={kept.findingId} photo={kept.photo} onPhoto={onPhoto} />
      <ThumbBar>
        <BigButton onClick={onBack}>Back</BigButton>
        <BigButton strong disabled={isEmpty} onClick={onSave}>
          {isEmpty ? 'Describe what you see' : 'Save'}
        </BigButton>
      </ThumbBar>
    </>
  );
}

/** How bad it looks to its finder. @param children shown above the choices, such as what it means for now */
export function HowBad({
  note,
  isBusy,
  heading,
  children = null,
  onLooks,
  onBack,
}: {
  readonly note: string;
  readonly isBusy: boolean;
  readonly heading?: Ref<HTMLHeadingElement> | undefined;
  readonly children?: ReactNode;
  readonly onLooks: (looks: FindingInput['looks']) => void;
  readonly onBack: () => void;
}) {
  return (
    <>
      <Asked heading={heading}>How bad does it look to you?</Asked>
      <Box component="p" sx={{ fontSize: 17, m: '0 0 12px' }}>
        {note}
      </Box>
      {children}
      <Choices>
        {LOOKS.map(({ value, name, detail }) => (
          <BigButton
            key={value}
            detail={detail}
            disabled={isBusy}
            onClick={() => {
              onLooks(value);
            }}
          >
            {name}
          </BigButton>
        ))}
      </Choices>
      <ThumbBar>
        <BigButton disabled={isBusy} onClick={onBack}>
          Back
        </BigButton>
      </ThumbBar>
    </>
  );
}
