import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
/** What is changed of the clean trainer, what is then in force (see said()), and which facts were missed. */
type Row = readonly [string, Change, readonly string[], (readonly string[])?];

const doc = (name: string, change: Change) => ({ documents: { [name]: change } });
const work = (change: Change) => ({
  work: {
    w: {
      recordedAt: '2024-03-02T20:00:00Z',
      completedOn: '2024-03-02',
      description: 'New radio',
      signedBy: {
        name: 'Tomas Brandl',
        certificate: {
          kind: 'mechanic-airframe-powerplant',
          number: 'AP-2231',
          validFrom: '2015-06-01',
          validUntil: 'no-expiry',
        },
      },
      mayChangeFlight: false,
      flightControls: false,
      staticOpened: false,
      altitudeReportingTouched: false,
      weightChanged: true,
      ...change,
    },
  },
});
const ended = (id: string, on: string, because: string, issuedOn = '2020-05-14') => ({
  [id]: {
    kind: 'registration-certificate',
    happenedAt: '2024-05-01T12:00:00Z',
    recordedAt: '2024-05-01T12:05:00Z',
    aboard: true,
    legible: true,
    registrationShown: 'N02TB',
    issuedOn,
    printedExpiry: '2027-05-31',
    ended: { on, because },
  },
});

describe('documents', () => {
  it.each<Row>([
    [
      'never seen',
      { documents: null },
      [
        'airworthiness-certificate.document-never-checked?! [] check-document(airworthiness-certificate)',
        'cabin-tank-form-337.document-never-checked?! [] check-document(cabin-tank-form-337)',
        'operating-limitations.document-never-checked?! [] check-document(operating-limitations)',
        'registration-certificate.document-never-checked?! [] check-document(registration-certificate)',
        'weight-and-balance.document-never-checked?! [] check-document(weight-and-balance)',
        'radio-licence.document-never-checked?! 2016 [] check-document(radio-licence)',
      ],
      [
        'documents.airworthiness-certificate',
        'documents.registration-certificate',
        'documents.operating-limitations',
        'documents.weight-and-balance',
        'documents.radio-licence',
        'documents.cabin-tank-form-337',
      ],
    ],
    [
      'aboard unknown',
      doc('airworthiness', { aboard: null }),
      [
        'airworthiness-certificate.document-aboard-unknown?! [airworthiness] check-document(airworthiness-certificate)',
      ],
      ['documents.airworthiness-certificate.aboard'],
    ],
    [
      'not aboard',
      doc('loading', { aboard: false }),
      ['weight-and-balance.document-not-aboard! [loading] put-document-aboard(weight-and-balance)'],
    ],
    [
      'legible unknown',
      doc('radio', { legible: null }),
      ['radio-licence.document-legibility-unknown?! 2016 [radio] check-document(radio-licence)'],
      ['documents.radio-licence.legible'],
    ],
    [
      'illegible',
      doc('manual', { legible: false }),
      ['operating-limitations.document-illegible [manual] replace-document(operating-limitations)'],
    ],
    [
      'registration unread',
      doc('registration', { registrationShown: null }),
      [
        'registration-certificate.document-registration-unknown?! [registration] check-document(registration-certificate)',
      ],
      ['documents.registration-certificate.registrationShown'],
    ],
    [
      'of another',
      doc('airworthiness', { registrationShown: 'N07TB' }),
      [
        'airworthiness-certificate.document-of-another-aircraft! [airworthiness] fetch-the-right-document(airworthiness-certificate)',
      ],
    ],
    [
      'display unknown',
      doc('airworthiness', { displayed: null }),
      [
        'airworthiness-certificate.certificate-display-unknown?! [airworthiness] check-document(airworthiness-certificate)',
      ],
      ['documents.airworthiness-certificate.displayed'],
    ],
    [
      'not displayed',
      doc('airworthiness', { displayed: false }),
      [
        'airworthiness-certificate.certificate-not-displayed! [airworthiness] display-certificate(airworthiness-certificate)',
      ],
    ],
    [
      'form unknown',
      doc('manual', { form: null }),
      ['operating-limitations.limitations-form-unknown?! [manual] check-document(operating-limitations)'],
      ['documents.operating-limitations.form'],
    ],
    [
      'placards only, first flight unknown',
      { aircraft: { firstFlownOn: null }, ...doc('manual', { form: 'placards-and-markings' }) },
      [
        'operating-limitations.first-flight-date-unknown? [manual] record-first-flight-date(operating-limitations)',
      ],
      ['aircraft.firstFlownOn'],
    ],
    [
      'placards only, young',
      doc('manual', { form: 'placards-and-markings' }),
      ['operating-limitations.flight-manual-needed! [manual] put-document-aboard(operating-limitations)'],
    ],
    [
      'placards unknown',
      doc('manual', { placards: null }),
      ['operating-limitations.placards-unknown?! [manual] check-document(operating-limitations)'],
      ['documents.operating-limitations.placards'],
    ],
    [
      'placards missing',
      doc('manual', { placards: false }),
      ['operating-limitations.placards-missing [manual] replace-document(operating-limitations)'],
    ],
    [
      'revision in force unknown',
      { aircraft: { manualRevision: null } },
      ['operating-limitations.particular-unknown? [manual] record-particulars(operating-limitations)'],
      ['aircraft.manualRevision'],
    ],
    ['no revision', { aircraft: { manualRevision: 'none' }, ...doc('manual', { revision: null }) }, []],
    [
      'revision unread',
      doc('manual', { revision: null }),
      ['operating-limitations.manual-revision-unknown?! [manual] check-document(operating-limitations)'],
      ['documents.operating-limitations.revision'],
    ],
    [
      'old revision',
      doc('manual', { revision: '6' }),
      ['operating-limitations.manual-revision-differs! [manual] update-document(operating-limitations)'],
    ],
    [
      'serial unknown',
      { aircraft: { serialNumber: null } },
      ['operating-limitations.particular-unknown? [manual] record-particulars(operating-limitations)'],
      ['aircraft.serialNumber'],
    ],
    [
      'serial unread',
      doc('manual', { serialShown: null }),
      ['operating-limitations.manual-serial-unknown?! [manual] check-document(operating-limitations)'],
      ['documents.operating-limitations.serialShown'],
    ],
    [
      'serial of another',
      doc('manual', { serialShown: 'TB-0300' }),
      [
        'operating-limitations.manual-serial-differs! [manual] fetch-the-right-document(operating-limitations)',
      ],
    ],
    [
      'tank unknown',
      doc('tank', { tankFitted: null }),
      ['cabin-tank-form-337.cabin-tank-unknown?! [tank] check-document(cabin-tank-form-337)'],
      ['documents.cabin-tank-form-337.tankFitted'],
    ],
    [
      'tank fitted, document unknown',
      doc('tank', { tankFitted: true }),
      ['cabin-tank-form-337.document-aboard-unknown?! [tank] check-document(cabin-tank-form-337)'],
      ['documents.cabin-tank-form-337.aboard'],
    ],
    [
      'ahead',
      doc('radio', { happenedAt: '2026-11-20T12:06:00Z' }),
      ['radio-licence.document-check-ahead-of-itself? 2016 [radio] correct-record(radio-licence)'],
    ],
    [
      'loading undated',
      doc('loading', { datedOn: null }),
      ['weight-and-balance.loading-data-date-unknown?! [loading] check-document(weight-and-balance)'],
      ['documents.weight-and-balance.datedOn'],
    ],
    [
      'loading older than the work',
      work({}),
      ['weight-and-balance.loading-data-outdated! [loading] update-document(weight-and-balance)'],
    ],
    ['loading of the day of the work', { ...work({}), ...doc('loading', { datedOn: '2024-03-02' }) }, []],
    [
      'work that does not say',
      work({ weightChanged: null }),
      [
        'weight-and-balance.work-effect-unknown?! [loading] release-after-work(w) or update-document(weight-and-balance)',
      ],
      ['documents.weight-and-balance.datedOn'],
    ],
    [
      'work that does not say, before the weighing',
      { ...work({ weightChanged: null }), ...doc('loading', { datedOn: '2024-03-02' }) },
      [],
    ],
    [
      'work that does not say, undated',
      { ...work({ weightChanged: null, completedOn: null, description: null }) },
      [
        'weight-and-balance.work-effect-unknown?! [loading] release-after-work(w) or update-document(weight-and-balance)',
      ],
      ['documents.weight-and-balance.datedOn'],
    ],
    ['work without a date that changed it', work({ completedOn: null }), []],
    [
      'undated loading and a work that does not say',
      { ...work({ weightChanged: null }), ...doc('loading', { datedOn: null }) },
      [
        'weight-and-balance.loading-data-date-unknown?! [loading] check-document(weight-and-balance)',
        'weight-and-balance.work-effect-unknown?! [loading] release-after-work(w) or update-document(weight-and-balance)',
      ],
      ['documents.weight-and-balance.datedOn'],
    ],
    [
      'au',
      { packs: [{ id: 'au-maintenance-release' }], ...doc('radio', { aboard: false }) },
      ['radio-licence.document-not-aboard! 2016 [radio] put-document-aboard(radio-licence)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['documents-aboard'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('registration', () => {
  it.each<Row>([
    [
      'never seen',
      { documents: null },
      ['expiry: registration-expiry-unknown? [] record-registration-dates'],
      ['documents.registration-certificate.printedExpiry'],
    ],
    [
      'no date at all',
      doc('registration', { issuedOn: null, printedExpiry: null }),
      ['expiry: registration-expiry-unknown? [registration] record-registration-dates'],
      ['documents.registration-certificate.printedExpiry'],
    ],
    ['printed only, in force', doc('registration', { issuedOn: null, printedExpiry: '2026-11-24' }), []],
    [
      'printed only, over',
      doc('registration', { issuedOn: null, printedExpiry: '2026-11-23' }),
      ['expiry: registration-expires [registration] renew-registration'],
    ],
    ['issue only: seven years', doc('registration', { issuedOn: '2019-11-05', printedExpiry: null }), []],
    [
      'issue only: over',
      doc('registration', { issuedOn: '2019-10-31', printedExpiry: null }),
      ['expiry: registration-expires [registration] renew-registration'],
    ],
    [
      'issued after it was seen',
      doc('registration', { issuedOn: '2026-11-21' }),
      ['expiry: registration-issued-after-seen? [registration] record-registration-dates'],
    ],
    [
      'issued on the day on which it was seen',
      doc('registration', { issuedOn: '2026-11-20', printedExpiry: '2033-11-30' }),
      [],
    ],
    [
      'printed before issue',
      doc('registration', { issuedOn: '2025-05-14', printedExpiry: '2025-05-13' }),
      ['expiry: registration-dates-contradict? [registration] record-registration-dates'],
    ],
    [
      'printed on the day of issue',
      doc('registration', { issuedOn: '2025-05-14', printedExpiry: '2025-05-14' }),
      ['expiry: registration-expires [registration] renew-registration'],
    ],
    [
      'printed as late as can be',
      doc('registration', { issuedOn: '2024-05-14', printedExpiry: '2031-11-30' }),
      [],
    ],
    [
      'printed a day later',
      doc('registration', { issuedOn: '2024-05-14', printedExpiry: '2031-12-01' }),
      ['expiry: registration-dates-contradict? [registration] record-registration-dates'],
    ],
    [
      'three years, stretched',
      doc('registration', { issuedOn: '2022-11-10', printedExpiry: '2025-11-30' }),
      [],
    ],
    [
      'three years, run out on the day before',
      doc('registration', { issuedOn: '2020-01-10', printedExpiry: '2023-01-22' }),
      ['expiry: registration-expires [registration] renew-registration'],
    ],
    [
      'three years, run out on the very day',
      doc('registration', { issuedOn: '2020-01-10', printedExpiry: '2023-01-23' }),
      [],
    ],
    [
      'issued on the very day',
      doc('registration', { issuedOn: '2023-01-23', printedExpiry: '2026-01-31' }),
      [],
    ],
    [
      'issued the day after',
      doc('registration', { issuedOn: '2023-01-24', printedExpiry: '2026-01-31' }),
      ['expiry: registration-expires [registration] renew-registration'],
    ],
    [
      'three years and six months',
      doc('registration', { issuedOn: '2022-11-10', printedExpiry: '2026-05-31' }),
      [],
    ],
    [
      'a day more is no three-year one',
      doc('registration', { issuedOn: '2022-11-10', printedExpiry: '2026-06-01' }),
      ['expiry: registration-expires [registration] renew-registration'],
    ],
    [
      'sold, old document seen again',
      {
        documents: {
          ...ended('old', '2024-04-30', 'ownership-transferred'),
          registration: { issuedOn: '2020-05-14', printedExpiry: '2027-05-31' },
        },
      },
      ['ended: registration-ended [old] register-new-owner'],
    ],
    [
      'sold, new document issued on the same day',
      {
        documents: {
          ...ended('old', '2024-05-14', 'ownership-transferred'),
          registration: { issuedOn: '2024-05-14' },
        },
      },
      ['ended: registration-ended [old] register-new-owner'],
    ],
    [
      'sold, new document issued the day after',
      { documents: { ...ended('old', '2024-05-13', 'ownership-transferred') } },
      [],
    ],
    [
      'ended, the document seen since does not say when it was issued',
      {
        documents: {
          ...ended('old', '2024-04-30', 'ownership-transferred'),
          registration: { issuedOn: null },
        },
      },
      ['ended: registration-ended [old] register-new-owner'],
    ],
    [
      'two endings: the earlier one',
      {
        documents: {
          ...ended('b', '2026-10-02', 'ownership-transferred'),
          ...ended('a', '2026-10-01', 'cancelled-by-holder'),
        },
      },
      ['ended: registration-ended [a] register-new-owner'],
    ],
    [
      'two endings, the other way round',
      {
        documents: {
          ...ended('a', '2026-10-02', 'ownership-transferred'),
          ...ended('b', '2026-10-01', 'cancelled-by-holder'),
        },
      },
      ['ended: registration-ended [b] register-new-owner'],
    ],
    [
      'two on a day',
      {
        documents: {
          ...ended('b', '2026-10-01', 'ownership-transferred'),
          ...ended('a', '2026-10-01', 'cancelled-by-holder'),
        },
      },
      ['ended: registration-ended [a] register-new-owner'],
    ],
    [
      'the latest says itself that it ended, though issued later',
      { documents: { registration: { ended: { on: '2024-01-01', because: 'cancelled-by-holder' } } } },
      ['ended: registration-ended [registration] register-new-owner'],
    ],
    [
      'holder died 30 days ago',
      { documents: { registration: { ended: { on: '2026-10-25', because: 'holder-died' } } } },
      ['ended: registration-ended [registration] register-new-owner'],
    ],
    [
      'holder died 29 days ago',
      { documents: { registration: { ended: { on: '2026-10-26', because: 'holder-died' } } } },
      [],
    ],
    [
      'ends tomorrow',
      { documents: { registration: { ended: { on: '2026-11-25', because: 'registered-abroad' } } } },
      [],
    ],
    [
      'ended today',
      { documents: { registration: { ended: { on: '2026-11-24', because: 'registered-abroad' } } } },
      ['ended: registration-ended [registration] register-new-owner'],
    ],
    [
      'au, no date printed',
      { packs: [{ id: 'au-maintenance-release' }], ...doc('registration', { printedExpiry: null }) },
      [],
    ],
    [
      'au, never seen',
      { packs: [{ id: 'au-maintenance-release' }], documents: null },
      ['expiry: registration-expiry-unknown? [] record-registration-dates'],
      ['documents.registration-certificate.printedExpiry'],
    ],
    [
      'au, printed and over',
      { packs: [{ id: 'au-maintenance-release' }], ...doc('registration', { printedExpiry: '2026-11-01' }) },
      ['expiry: registration-expires [registration] renew-registration'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['registration-validity'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
