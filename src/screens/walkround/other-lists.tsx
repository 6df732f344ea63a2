import Box from '@mui/material/Box';
import type { RampList } from '@/queries/walkround/ramp-walk';
import { BigButton } from '../findings/big-button';
import { Choices } from '../findings/ramp-frame';
import { LIST_WORDS } from './list-words';

/** How far a list has come, in a few words. */
function stateOf({ plan, current, denied }: RampList): string {
  if (current?.signed === true) return `Signed by ${current.by}`;
  if (current !== null) return `${current.by}: ${current.answers.length} of ${plan.steps.length} answered`;
  return denied === null ? `${plan.steps.length} steps` : 'Needs a certificate';
}

/** What else is gone through with this aircraft, each by its list. */
export function OtherLists({
  lists,
  onList,
}: {
  readonly lists: readonly RampList[];
  readonly onList: (kind: RampList['kind']) => void;
}) {
  if (lists.length === 0) return null;
  return (
    <Box component="section" aria-label="Other lists" sx={{ mt: 1 }}>
      <Box component="h2" sx={{ fontSize: 18, m: '0 0 6px' }}>
        Other lists
      </Box>
      <Choices columns={2}>
        {lists.map((one) => (
          <BigButton
            key={one.kind}
            detail={stateOf(one)}
            onClick={() => {
              onList(one.kind);
            }}
          >
            {LIST_WORDS[one.kind].title}
          </BigButton>
        ))}
      </Choices>
    </Box>
  );
}
