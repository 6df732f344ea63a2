'use client';

import { may } from '@/contracts/kernel/permissions';
import { useHash } from '../data/address';
import { useMe } from '../data/queries';
import { lazily } from '../kit/lazily';
import { PartPanels, PartTabs } from '../kit/page-parts';
import { DeskPage } from '../shell/desk-page';
import { ExportPart } from './export-part';

const ImportPart = lazily(() => import('./import-part').then((module) => module.ImportPart), 320);
const KeyTagsPart = lazily(() => import('./key-tags-part').then((module) => module.KeyTagsPart), 200);
const CalendarPart = lazily(() => import('./calendar-part').then((module) => module.CalendarPart), 200);

const PARTS = { export: 'Export', import: 'Import', calendar: 'Calendar' } as const;
const isPart = (name: string): name is keyof typeof PARTS => Object.hasOwn(PARTS, name);

/** The club's records out and in: lists as CSV, the whole club as one file, and what is due as a calendar. */
export function ImportExportScreen() {
  const { data: me } = useMe();
  const roles = me?.roles ?? [];
  const hash = useHash();
  const part = isPart(hash) ? hash : 'export';
  return (
    <DeskPage>
      <h1>Import and export</h1>
      <PartTabs names={PARTS} part={part} label="Import and export" />
      <PartPanels
        part={part}
        parts={{
          export: (
            <>
              <ExportPart roles={roles} />
              <KeyTagsPart />
            </>
          ),
          import: may(roles, 'import-rows') ? <ImportPart /> : <p>A dispatcher can import lists here.</p>,
          calendar: <CalendarPart />,
        }}
      />
    </DeskPage>
  );
}
