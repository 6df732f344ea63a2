'use client';

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { ClubPage } from '@/queries/club/club';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { DispatchFlight, DispatchList } from '@/queries/flights/dispatch';
import type { Folder } from '@/queries/aircraft/folder-view';
import type { Facts } from '@/queries/aircraft/facts';
import type { People } from '@/queries/club/people';
import type { DayPlan } from '@/queries/flights/plan';
import type { Sheet } from '@/queries/flights/sheet';
import type { DocumentCheckList } from '@/queries/documents/document-check';
import type { Line } from '@/queries/aircraft/line';
import type { RampAircraft, RampList } from '@/queries/findings/ramp';
import { ask, Refusal } from './fetching';

export interface Me {
  readonly name: string;
  readonly roles: readonly string[];
  readonly personId: string;
  readonly email: string;
  /** The club that this session works in; null for somebody who is in none. */
  readonly clubId: string | null;
  readonly clubs: readonly { readonly id: string; readonly name: string }[];
  /** False where there are several and none was chosen in this session. */
  readonly chosen: boolean;
}

const retry = (count: number, error: Error) => !(error instanceof Refusal) && count < 3;

/** Who is signed in. */
export const useMe = () =>
  useQuery({ queryKey: ['me'], queryFn: () => ask<Me>('/api/me'), retry, staleTime: 60_000 });
/** The Line. */
export const useLine = () =>
  useQuery({ queryKey: ['line'], queryFn: () => ask<Line>('/api/line'), retry, refetchInterval: 5 * 60_000 });
/** One aircraft's page. */
export const useAircraft = (registration: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration],
    queryFn: () => ask<AircraftPage>(`/api/aircraft/${encodeURIComponent(registration ?? '')}`),
    enabled: registration !== null,
    retry,
  });
/** The aircraft that can be reported on. */
export const useRampList = () =>
  useQuery({ queryKey: ['ramp'], queryFn: () => ask<RampList>('/api/ramp'), retry, staleTime: 600_000 });
/** One aircraft's stations and items. */
export const useRampAircraft = (registration: string | null) =>
  useQuery({
    queryKey: ['ramp', registration],
    queryFn: () => ask<RampAircraft>(`/api/ramp/${encodeURIComponent(registration ?? '')}`),
    enabled: registration !== null,
    retry,
    staleTime: 600_000,
  });
/** The dispatch page's list. */
export const useDispatch = () =>
  useQuery({
    queryKey: ['counter'],
    queryFn: () => ask<DispatchList>('/api/dispatch'),
    retry,
    refetchInterval: 60_000,
  });
/** One flight at the dispatch page. */
export const useDispatchFlight = (flightId: string | null) =>
  useQuery({
    queryKey: ['counter', flightId],
    queryFn: () => ask<DispatchFlight>(`/api/dispatch/${encodeURIComponent(flightId ?? '')}`),
    enabled: flightId !== null,
    retry,
  });
/** What an aircraft's folder holds beyond its verdict. */
export const useFolder = (registration: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration, 'folder'],
    queryFn: () => ask<Folder>(`/api/aircraft/${encodeURIComponent(registration ?? '')}/folder`),
    enabled: registration !== null,
    retry,
  });
/** One day's plan; null is today. */
export const useDayPlan = (day: string | null) =>
  useQuery({
    queryKey: ['plan', day],
    queryFn: () => ask<DayPlan>(`/api/flights${day === null ? '' : `?day=${day}`}`),
    retry,
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  });
/** What a document check round asks. */
export const useDocumentCheckList = (registration: string | null) =>
  useQuery({
    queryKey: ['document-check', registration],
    queryFn: () => ask<DocumentCheckList>(`/api/document-check/${encodeURIComponent(registration ?? '')}`),
    enabled: registration !== null,
    retry,
  });
/** The sheets of an aircraft and day; null is today. */
export const useSheet = (registration: string | null, day: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration, 'sheet', day],
    queryFn: () =>
      ask<Sheet>(`/api/sheet/${encodeURIComponent(registration ?? '')}${day === null ? '' : `?day=${day}`}`),
    enabled: registration !== null,
    retry,
    placeholderData: keepPreviousData,
  });
/** What is on record of an aircraft beyond its documents and maintenance. */
export const useFacts = (registration: string | null) =>
  useQuery({
    queryKey: ['aircraft', registration, 'facts'],
    queryFn: () => ask<Facts>(`/api/facts/${encodeURIComponent(registration ?? '')}`),
    enabled: registration !== null,
    retry,
  });
/** What the club says of its field and rules. */
export const useClub = () =>
  useQuery({ queryKey: ['club'], queryFn: () => ask<ClubPage>('/api/club'), retry });
/** The club and its people. */
export const usePeople = () =>
  useQuery({ queryKey: ['people'], queryFn: () => ask<People>('/api/people'), retry });
