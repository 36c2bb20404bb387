<script lang="ts">
  import { answered, client, Refusal } from '../api/client';
  import type { Asked } from '../api/types';
  import { dayTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import { useSession } from '../session/session.svelte';
  import PersonFields from './PersonFields.svelte';

  let { token, ondone }: { token: string; ondone: () => void } = $props();
  const session = useSession();
  const uid = $props.id();
  let asked = $state.raw<Asked | null>(null);
  let useless = $state('');
  let shop = $state('');
  const person = $state({ username: '', name: '', password: '' });
  let says = $state('');
  let fieldSays = $state<Record<string, string>>({});
  let isBusy = $state(false);

  async function look(): Promise<void> {
    try {
      asked = await answered(client.POST('/api/invitations/look', { body: { token } }));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      useless = error.message;
    }
  }
  void look();

  async function come(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    isBusy = true;
    says = '';
    fieldSays = {};
    try {
      session.me = await answered(client.POST('/api/invitations/take', { body: { token, shop, ...person } }));
      ondone();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      fieldSays = Object.fromEntries(error.fields.map((one) => [one.field, one.says]));
      says = error.fields.length ? '' : error.message;
    } finally {
      isBusy = false;
    }
  }
  const ARTICLES = { owner: 'an owner', fabricator: 'a fabricator', viewer: 'a viewer' };
</script>

<svelte:head><title>Come in</title></svelte:head>
<main class="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-5 px-6 py-10">
  {#if useless}
    <h1 class="text-2xl">This link does not open anything</h1>
    <p role="alert" class="text-fails">▲ {useless}</p>
    <a class="min-h-6 text-brass underline underline-offset-2" href="/">Sign in</a>
  {:else if asked}
    <div class="border-t-4 border-brass pt-4">
      <h1 class="text-2xl">{asked.shop ? `Come into ${asked.shop}` : 'Start a shop of your own'}</h1>
      <p class="mt-1 text-ink-dim">
        {asked.shop
          ? `${asked.by ? `${asked.by} asks you in` : 'You are asked in'} as ${ARTICLES[asked.role]}.`
          : 'You will own it: its jobs are seen by those whom you ask in and nobody else.'}
        The link works once, until {dayTime(asked.expires_at)}.
      </p>
    </div>
    <form class="flex flex-col gap-4" onsubmit={come}>
      {#if !asked.shop}
        <div>
          <label for="{uid}-shop" class="text-ink-dim">What the shop is called</label>
          <input id="{uid}-shop" class="field-line text-lg" required maxlength="80" bind:value={shop} />
          {#if fieldSays.shop}<p role="alert" class="text-fails">▲ {fieldSays.shop}</p>{/if}
        </div>
      {/if}
      {#if session.me}
        <p>You are signed in as <b class="font-semibold">{session.me.name}</b>, and come in as that.</p>
      {:else}
        <PersonFields {person} {fieldSays} />
        <p class="text-[13px] text-ink-dim">
          You sign in here already? <a class="text-brass underline underline-offset-2" href="/">Sign in</a> first,
          then open the link again.
        </p>
      {/if}
      {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
      <Button strong type="submit" class="self-start" disabled={isBusy}>
        {asked.shop ? 'Come in' : 'Start the shop'}
      </Button>
    </form>
  {:else}
    <p role="status" class="text-ink-dim">Looking at the link…</p>
  {/if}
</main>
