<script lang="ts">
  import { answered, client, doneOr } from '../api/client';
  import { Doing } from '../lib/doing.svelte';
  import Button from '../lib/ui/Button.svelte';
  import Squares from '../people/Squares.svelte';
  import { useSession } from './session.svelte';

  const session = useSession();
  const uid = $props.id();
  let password = $state('');
  let code = $state('');
  let secret = $state.raw<{ secret: string; squares: string[] } | null>(null);
  let spares = $state.raw<readonly string[]>([]);
  const asking = new Doing();

  async function doing(event: SubmitEvent, act: () => Promise<void>): Promise<void> {
    event.preventDefault();
    await asking.run(act);
  }
  async function show(): Promise<void> {
    secret = await answered(client.POST('/api/session/second/secret', { body: { password } }));
    password = '';
  }
  async function begin(): Promise<void> {
    ({ spares } = await answered(client.POST('/api/session/second', { body: { code } })));
    secret = null;
    code = '';
    await session.refresh();
  }
  async function end(): Promise<void> {
    await doneOr(client.POST('/api/session/second/end', { body: { password } }));
    password = '';
    spares = [];
    await session.refresh();
  }
</script>

<section class="flex flex-col gap-2">
  <h3>A code at signing in, beside the password</h3>
  {#if secret}
    <form class="flex flex-wrap items-start gap-5" onsubmit={(event) => void doing(event, begin)}>
      <Squares rows={secret.squares} label="For your authenticator, as a QR code" />
      <div class="flex max-w-72 flex-col gap-2">
        <p>
          Look at it with an authenticator on your phone, or type <span class="figures break-all"
            >{secret.secret}</span
          > there.
        </p>
        <label for="{uid}-code" class="text-ink-dim">The six digits that it shows</label>
        <input
          id="{uid}-code"
          class="field-line figures"
          autocomplete="one-time-code"
          required
          minlength="6"
          bind:value={code}
        />
        <Button strong type="submit" class="self-start">Ask for it from now on</Button>
      </div>
    </form>
  {:else}
    {#if spares.length}
      <p>Write these down. Each opens the door once, should the phone be lost; they are not shown again.</p>
      <ul class="grid w-fit grid-cols-2 gap-x-8 figures" aria-label="Spare codes">
        {#each spares as spare (spare)}<li>{spare}</li>{/each}
      </ul>
    {/if}
    <form
      class="flex flex-wrap items-end gap-3"
      onsubmit={(event) => void doing(event, session.me?.has_second ? end : show)}
    >
      <p class="basis-full text-ink-dim">
        {session.me?.has_second
          ? 'You are asked for one.'
          : 'Six digits from your phone, so that your password alone opens nothing.'}
      </p>
      <div>
        <label for="{uid}-password" class="text-ink-dim">Your password</label>
        <input
          id="{uid}-password"
          class="field-line"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        />
      </div>
      <Button type="submit">{session.me?.has_second ? 'Ask for none any more' : 'Begin'}</Button>
    </form>
  {/if}
  {#if asking.says}<p role="alert" class="text-fails">▲ {asking.says}</p>{/if}
</section>
