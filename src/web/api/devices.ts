import { useMutation, useQuery } from '@tanstack/react-query';
import type { ChangeDevice, Devices, FoundKnock, PictureCode, ShopSettings } from '#contract/door.ts';
import { askDoor } from './askDoor.ts';
import { callApi, removeAt, tellApi } from './client.ts';
import { queryClient } from './jobs.ts';

const DEVICES = ['devices'];
const SETTINGS = ['shop'];

const readAnew = () => queryClient.invalidateQueries({ queryKey: DEVICES });

/** Devices that are in; `on` where the shop lets devices in at all. */
export function useDevices(on: boolean) {
  return useQuery({
    queryKey: DEVICES,
    queryFn: async () => (await callApi<Devices>('/devices')).devices,
    enabled: on,
  });
}

export function useChangeDevice() {
  return useMutation({
    mutationFn: ({ id, change }: { id: string; change: ChangeDevice }) => tellApi(`/devices/${id}`, change),
    // It may be this device that was changed.
    onSettled: () => Promise.all([readAnew(), askDoor()]),
  });
}

export function useRemoveDevice() {
  return useMutation({ mutationFn: (id: string) => removeAt(`/devices/${id}`), onSettled: readAnew });
}

export function useFindKnock() {
  return useMutation({ mutationFn: (digits: string) => callApi<FoundKnock>('/devices/find', { digits }) });
}

export function useLetIn() {
  return useMutation({
    mutationFn: (handle: string) => tellApi('/devices/let-in', { handle }),
    // It comes to look every second or two.
    onSuccess: () => setTimeout(() => void readAnew(), 2500),
  });
}

export function useNewCode() {
  return useMutation({ mutationFn: () => callApi<PictureCode>('/devices/codes', {}) });
}

/** What holds for the whole shop. */
export function useShopSettings() {
  return useQuery({ queryKey: SETTINGS, queryFn: () => callApi<ShopSettings>('/shop') });
}

/** Keeps the shop's settings. Where somebody else changed them, theirs are shown and the change is refused. */
export function useKeepSettings() {
  return useMutation({
    mutationFn: (settings: ShopSettings) => callApi<ShopSettings>('/shop', settings),
    onSuccess: (kept) => queryClient.setQueryData(SETTINGS, kept),
    onError: () => queryClient.invalidateQueries({ queryKey: SETTINGS }),
  });
}
