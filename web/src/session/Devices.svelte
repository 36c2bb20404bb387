<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answered, client, doneOr } from '../api/client';
  import type { Device } from '../api/types';
  import { Doing } from '../lib/doing.svelte';
  import { dayTime } from '../lib/format';

  const queryClient = useQueryClient();
  const asking = new Doing();
  const devices = createQuery(() => ({
    queryKey: ['devices'],
    queryFn: () => answered(client.GET('/api/session/devices')),
  }));

  async function end(device: Device): Promise<void> {
    const path = { device_id: device.id };
    await asking.run(() => doneOr(client.DELETE('/api/session/devices/{device_id}', { params: { path } })));
    await queryClient.invalidateQueries({ queryKey: ['devices'] });
  }
</script>

<section>
  <h3>Where you are signed in</h3>
  {#if devices.isError}<p role="alert" class="text-fails">▲ {devices.error.message}</p>{/if}
  {#if asking.says}<p role="alert" class="text-fails">▲ {asking.says}</p>{/if}
  <ul class="mt-1 border-t border-edge" aria-label="Devices">
    {#each devices.data ?? [] as device (device.id)}
      <li class="flex flex-wrap items-center gap-x-4 border-b border-edge py-1.5">
        <span class="w-40 font-semibold">{device.device}</span>
        <span class="text-[13px] text-ink-dim">
          since {dayTime(device.began_at)}, used {dayTime(device.seen_at)}, until {dayTime(device.ends_at)}
        </span>
        {#if device.is_this}<span class="ml-auto text-[13px]">this one</span>
        {:else}<button
            class="ml-auto min-h-6 text-[13px] text-brass underline underline-offset-2"
            aria-label="Sign out {device.device}, used {dayTime(device.seen_at)}"
            onclick={() => void end(device)}>sign out</button
          >{/if}
      </li>
    {/each}
  </ul>
</section>
