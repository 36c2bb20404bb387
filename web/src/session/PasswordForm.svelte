<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { answered, client, Refusal } from '../api/client';
  import Button from '../lib/ui/Button.svelte';

  const queryClient = useQueryClient();
  const uid = $props.id();
  let current = $state('');
  let next = $state('');
  let says = $state('');
  let done = $state('');
  let isBusy = $state(false);

  const devices = (count: number) =>
    count === 0 ? 'No other device was signed in.' : `${count} other sign-in${count > 1 ? 's' : ''} ended.`;

  async function doing(act: () => Promise<string>): Promise<void> {
    isBusy = true;
    says = done = '';
    try {
      done = await act();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    } finally {
      isBusy = false;
    }
    await queryClient.invalidateQueries({ queryKey: ['devices'] });
  }

  function change(event: SubmitEvent): void {
    event.preventDefault();
    void doing(async () => {
      const body = { current, new: next };
      const ended = await answered(client.POST('/api/session/password', { body }));
      current = next = '';
      return `Your password is changed. ${devices(ended.count)}`;
    });
  }
  const endOthers = () =>
    doing(async () => devices((await answered(client.DELETE('/api/session/others'))).count));
</script>

<form class="flex flex-col gap-3" onsubmit={change}>
  <h3>Your password</h3>
  <div>
    <label for="{uid}-current" class="text-ink-dim">As it is</label>
    <input
      id="{uid}-current"
      class="field-line"
      type="password"
      autocomplete="current-password"
      required
      bind:value={current}
    />
  </div>
  <div>
    <label for="{uid}-new" class="text-ink-dim">A new one, ten letters or more</label>
    <input
      id="{uid}-new"
      class="field-line"
      type="password"
      autocomplete="new-password"
      required
      minlength="10"
      bind:value={next}
    />
  </div>
  {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
  {#if done}<p role="status">{done}</p>{/if}
  <div class="flex flex-wrap gap-2">
    <Button strong type="submit" disabled={isBusy}>Change it</Button>
    <Button disabled={isBusy} onclick={endOthers}>Sign out everywhere else</Button>
  </div>
</form>
