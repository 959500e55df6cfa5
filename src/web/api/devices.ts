import { useMutation, useQuery } from '@tanstack/react-query';
import type { ChangeDevice, Devices, FoundKnock, PictureCode } from '#contract/door.ts';
import { askDoor } from './askDoor.ts';
import { callApi, removeAt, tellApi } from './client.ts';
import { queryClient } from './jobs.ts';

const DEVICES = ['devices'];

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
