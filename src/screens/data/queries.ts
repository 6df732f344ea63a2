'use client';

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { LongList } from '@/contracts/aircraft/long-lists';
import { ask, OtherProgram, Refusal } from './fetching';

export type { Me } from '@/queries/kernel/answers';

const retry = (count: number, error: Error) =>
  !(error instanceof Refusal || error instanceof OtherProgram) && count < 3;

/** Who is signed in. */
export const useMe = () =>
  useQuery({
    queryKey: ['me'],
    queryFn: () => ask('GET /api/me'),
    retry,
    staleTime: 60_000,
    refetchInterval: 60_000,
  });
/** What one was told. */
export const useNotices = () =>
  useQuery({ queryKey: ['notices'], queryFn: () => ask('GET /api/notices'), retry, refetchInterval: 60_000 });
/** The Line. */
export const useLine = () =>
  useQuery({ queryKey: ['line'], queryFn: () => ask('GET /api/line'), retry, refetchInterval: 5 * 60_000 });
/** The findings about which nobody has decided. */
export const useTriage = () =>
  useQuery({ queryKey: ['triage'], queryFn: () => ask('GET /api/triage'), retry });
/** The walk-rounds that passed a finding. */
export const usePassedChecks = (finding: string) =>
  useQuery({
    queryKey: ['passed-checks', finding],
    queryFn: () => ask('GET /api/passed-checks/[finding]', { params: { finding } }),
    retry,
    staleTime: 60_000,
  });
/** What keeps coming back. */
export const useChronic = () =>
  useQuery({ queryKey: ['chronic'], queryFn: () => ask('GET /api/chronic'), retry });
/** One aircraft's page. */
export const useAircraft = (registration: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration],
    queryFn: () => ask('GET /api/aircraft/[registration]', { params: { registration: registration ?? '' } }),
    enabled: registration !== null,
    retry,
  });
/** The aircraft that can be reported on. */
export const useRampList = () =>
  useQuery({ queryKey: ['ramp'], queryFn: () => ask('GET /api/ramp'), retry, staleTime: 600_000 });
/** One aircraft's stations and items. */
export const useRampAircraft = (registration: string | null) =>
  useQuery({
    queryKey: ['ramp', registration],
    queryFn: () => ask('GET /api/ramp/[registration]', { params: { registration: registration ?? '' } }),
    enabled: registration !== null,
    retry,
    staleTime: 600_000,
  });
/**
 * What a phone needs for the walk-round of one aircraft. Without signal what was kept of it is asked elsewhere, so it is not tried again
 * for long.
 */
export const useRampWalk = (registration: string | null) =>
  useQuery({
    queryKey: ['walkround', registration],
    queryFn: () => ask('GET /api/walkround/[registration]', { params: { registration: registration ?? '' } }),
    enabled: registration !== null,
    networkMode: 'always',
    retry: false,
    staleTime: 30_000,
  });
/** What the walk-rounds of an aircraft have taught. */
export const useTrends = (registration: string) =>
  useQuery({
    queryKey: ['trends', registration],
    queryFn: () => ask('GET /api/trends/[registration]', { params: { registration } }),
    retry,
  });
/** The way of deferring one finding. */
export const useDeferral = (finding: string) =>
  useQuery({
    queryKey: ['aircraft', 'deferral', finding],
    queryFn: () => ask('GET /api/deferrals/[finding]', { params: { finding } }),
    retry,
  });
/** How the school walks round. */
export const useSchoolMethod = () =>
  useQuery({ queryKey: ['walkround', 'method'], queryFn: () => ask('GET /api/walkround/method'), retry });
/** The dispatch page's list. */
export const useDispatch = () =>
  useQuery({
    queryKey: ['counter'],
    queryFn: () => ask('GET /api/dispatch'),
    retry,
    refetchInterval: 60_000,
  });
/** One flight at the dispatch page. */
export const useDispatchFlight = (flightId: string | null) =>
  useQuery({
    queryKey: ['counter', flightId],
    queryFn: () => ask('GET /api/dispatch/[flight]', { params: { flight: flightId ?? '' } }),
    enabled: flightId !== null,
    retry,
  });
/** What an aircraft's folder holds beyond its verdict. */
export const useFolder = (registration: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration, 'folder'],
    queryFn: () =>
      ask('GET /api/aircraft/[registration]/folder', { params: { registration: registration ?? '' } }),
    enabled: registration !== null,
    retry,
  });
/** One day's plan; null is today. */
export const useDayPlan = (day: string | null) =>
  useQuery({
    queryKey: ['plan', day],
    queryFn: () => ask('GET /api/flights', { search: { day } }),
    retry,
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  });
/** What a document check round asks. */
export const useDocumentCheckList = (registration: string | null) =>
  useQuery({
    queryKey: ['document-check', registration],
    queryFn: () =>
      ask('GET /api/document-check/[registration]', { params: { registration: registration ?? '' } }),
    enabled: registration !== null,
    retry,
  });
/** The sheets of an aircraft and day; null is today. */
export const useSheet = (registration: string | null, day: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration, 'sheet', day],
    queryFn: () =>
      ask('GET /api/sheet/[registration]', { params: { registration: registration ?? '' }, search: { day } }),
    enabled: registration !== null,
    retry,
    placeholderData: keepPreviousData,
  });
/** What is on record of an aircraft beyond its documents and maintenance. */
export const useFacts = (registration: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration, 'facts'],
    queryFn: () => ask('GET /api/facts/[registration]', { params: { registration: registration ?? '' } }),
    enabled: registration !== null,
    retry,
  });
/** A page of one of an aircraft's long lists. @param search what the address asks: page, order, what a line must contain */
export const useLongList = (
  registration: string | null,
  list: LongList,
  search: Readonly<Record<string, string>>,
) =>
  useQuery({
    queryKey: ['aircraft', registration, 'records', list, search],
    queryFn: () =>
      ask('GET /api/aircraft/[registration]/records/[list]', {
        params: { registration: registration ?? '', list },
        search,
      }),
    enabled: registration !== null,
    retry,
    placeholderData: (before, query) => (query?.queryKey[3] === list ? before : undefined),
  });
/** What the club says of its field and rules. */
export const useClub = () => useQuery({ queryKey: ['club'], queryFn: () => ask('GET /api/club'), retry });
/** The club and its people. */
export const usePeople = () =>
  useQuery({ queryKey: ['people'], queryFn: () => ask('GET /api/people'), retry });
