<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { answered, client, sent } from '../api/client';
  import Button from '../lib/ui/Button.svelte';
  import FilePick from '../measure/FilePick.svelte';
  import { openJob } from '../routes';
  import { useSession } from '../session/session.svelte';
  import NewJob from './NewJob.svelte';

  const session = useSession();
  const queryClient = useQueryClient();
  let isStarting = $state(false);
  let shopId = $state<number | null>(null); // where a new job belongs, of several shops

  const places = $derived(session.me?.shops.filter((place) => place.role !== 'viewer') ?? []);
  const editable = $derived(places.find((place) => place.shop_id === shopId) ?? places[0]);

  async function importFile(file: File): Promise<void> {
    if (!editable) return;
    const query = { shop_id: editable.shop_id };
    const job = await answered(client.POST('/api/jobs/import', { params: { query }, ...sent({ file }) }));
    await queryClient.invalidateQueries({ queryKey: ['jobs'] });
    await openJob(job.id, 'brief');
  }
</script>

{#if editable}
  {#if places.length > 1}
    <label class="flex items-center gap-2 text-[13px] text-ink-dim">
      new ones into
      <select
        class="field-line w-auto text-ink"
        value={editable.shop_id}
        onchange={(event) => (shopId = Number(event.currentTarget.value))}
      >
        {#each places as place (place.shop_id)}<option value={place.shop_id}>{place.shop}</option>{/each}
      </select>
    </label>
  {/if}
  <FilePick
    label="Open a job file…"
    accept=".json,.zip,application/json,application/zip"
    take={importFile}
    strong
  />
  <Button strong onclick={() => (isStarting = true)}>New job</Button>
  <NewJob open={isStarting} shopId={editable.shop_id} onclose={() => (isStarting = false)} />
{/if}
