import Box from '@mui/material/Box';
import type { RampList, RampWalk } from '@/queries/walkround/ramp-walk';
import { BigButton } from '../findings/big-button';
import { LastPilot } from '../findings/last-pilot';
import { Choices } from '../findings/ramp-frame';
import { Consequence } from './notices';
import { OtherLists } from './other-lists';

/** Where a walk-round starts: how the aircraft stands, what the last pilot said, what is open, for which flight. */
export function WalkStart({
  view,
  left,
  isOffline,
  isKept,
  onBegin,
  onReport,
  onOther,
  onAnnounced,
  onList,
}: {
  readonly view: RampWalk;
  /** Steps left of an own walk-round that was begun here; null where there is none. */
  readonly left: number | null;
  /** Since when this was fetched, where there is no signal; null with one. */
  readonly isOffline: string | null;
  /** Whether this page opens again without signal. */
  readonly isKept: boolean;
  readonly onBegin: () => void;
  readonly onReport: () => void;
  readonly onOther: () => void;
  readonly onAnnounced: (id: string) => void;
  readonly onList: (kind: RampList['kind']) => void;
}) {
  const { current, flight } = view;
  const plan = left === null ? view.plan : (current?.plan ?? view.plan);
  return (
    <>
      {isOffline === null ? null : (
        <Consequence isBad={false}>
          No signal. This is what the desk knew {isOffline}; what you enter is kept here and sent later.
        </Consequence>
      )}
      <LastPilot report={view.lastReport} />
      <Box component="p" sx={{ fontSize: 18, m: '12px 0 0' }}>
        <b>
          {view.typeName}: {view.verdict}
        </b>
        {view.reasons.length === 0 ? ', as on record.' : '. '}
        {view.reasons.slice(0, 3).join(' ')}
      </Box>
      {flight === null ? (
        <Box component="p" sx={{ m: '8px 0 0' }}>
          No flight is planned with it in the next hours.
        </Box>
      ) : (
        <Box component="p" sx={{ m: '8px 0 0' }}>
          For the flight of {flight.who}, {flight.when}, {flight.purpose}.
        </Box>
      )}
      {view.open.length === 0 ? null : (
        <Box component="section" aria-label="Open items" sx={{ mt: 1.5 }}>
          <b>Open, look at these</b>
          <Box component="ul" sx={{ m: '4px 0 0', pl: 2.5 }}>
            {view.open.map(({ id, what, where, since }) => (
              <li key={id}>
                {what} <span className="small">{`${where}, since ${since}`}</span>
              </li>
            ))}
          </Box>
        </Box>
      )}
      {view.announced.map(({ id, words, by }) => (
        <Box key={id} sx={{ mt: 1.5 }}>
          <BigButton
            detail={`Announced by ${by}. Tap when it is done; the flight waits for it`}
            onClick={() => {
              onAnnounced(id);
            }}
          >
            To do: {words}
          </BigButton>
        </Box>
      ))}
      {current === null || left !== null ? null : (
        <Consequence isBad={false}>
          {current.signed
            ? `${current.by} has done and signed the walk-round since the last flight.`
            : `${current.by} is doing the walk-round: ${current.answers.length} ${current.answers.length === 1 ? 'step' : 'steps'} answered.`}{' '}
          You may do your own.
        </Consequence>
      )}
      <Box component="h1" sx={{ fontSize: 26, m: '18px 0 4px' }}>
        {left === null ? 'Walk-round' : 'Your walk-round is not finished'}
      </Box>
      <Box component="p" sx={{ fontSize: 17, m: 0 }}>
        {left === null
          ? `${plan.steps.length} steps${plan.list === 'short' ? ', the short list: somebody saw everything today' : ''}, in this school’s order. It can be interrupted.`
          : `${left} of ${plan.steps.length} steps are left.`}{' '}
        {isKept ? 'Kept on this phone: works without signal.' : ''}
      </Box>
      <Box sx={{ mt: 'auto', pt: 2 }}>
        <Choices columns={2}>
          <BigButton strong wide onClick={onBegin}>
            {left === null ? 'Begin' : 'Go on'}
          </BigButton>
          <BigButton onClick={onReport}>Report a finding</BigButton>
          <BigButton onClick={onOther}>Another aircraft</BigButton>
        </Choices>
        <OtherLists lists={view.lists} onList={onList} />
      </Box>
    </>
  );
}
