<script lang="ts">
  import { Doing } from '../lib/doing.svelte';
  import type { Me } from '../api/types';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { SYSTEMS, type System } from '../measure/figures';
  import { SYSTEM_WORDS } from '../measure/units.svelte';
  import Devices from './Devices.svelte';
  import PasswordForm from './PasswordForm.svelte';
  import SecondFactor from './SecondFactor.svelte';
  import { useSession } from './session.svelte';

  let { open, onclose }: { open: boolean; onclose: () => void } = $props();
  const session = useSession();
  const uid = $props.id();
  const asking = new Doing();
  const OPENS = { jobs: 'the list of jobs', last_job: 'the job I had open last' } as const;

  const like = (liked: Parameters<typeof session.prefer>[0]) => asking.run(() => session.prefer(liked));
</script>

<Dialog {open} title={session.me?.name ?? 'You'} {onclose}>
  <div class="grid gap-x-6 gap-y-3 md:grid-cols-3">
    <div>
      <label for="{uid}-name" class="text-ink-dim">Your name, on drawings</label>
      <input
        id="{uid}-name"
        class="field-line"
        maxlength="150"
        autocomplete="name"
        value={session.me?.name}
        onchange={(event) => void like({ name: event.currentTarget.value })}
      />
    </div>
    <div>
      <label for="{uid}-units" class="text-ink-dim">You read figures in</label>
      <select
        id="{uid}-units"
        class="field-line"
        value={session.me?.units}
        onchange={(event) => void like({ units: event.currentTarget.value as System })}
      >
        {#each SYSTEMS as system (system)}<option value={system}>{SYSTEM_WORDS[system]}</option>{/each}
      </select>
    </div>
    <div>
      <label for="{uid}-opens" class="text-ink-dim">What opens first</label>
      <select
        id="{uid}-opens"
        class="field-line"
        value={session.me?.opens}
        onchange={(event) => void like({ opens: event.currentTarget.value as Me['opens'] })}
      >
        {#each Object.entries(OPENS) as [key, word] (key)}<option value={key}>{word}</option>{/each}
      </select>
    </div>
  </div>
  {#if asking.says}<p role="alert" class="text-fails">▲ {asking.says}</p>{/if}
  <PasswordForm />
  <SecondFactor />
  <Devices />
</Dialog>
