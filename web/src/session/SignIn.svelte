<script lang="ts">
  import { Refusal } from '../api/client';
  import { lastJob } from '../job/last-job';
  import { openJob } from '../routes';
  import { useSession } from './session.svelte';

  const session = useSession();
  const uid = $props.id();
  let username = $state('');
  let password = $state('');
  let isTrusted = $state(false);
  let wantsCode = $state(false); // the password was right, and there is a second factor
  let code = $state('');
  let says = $state('');
  let isBusy = $state(false);

  async function submit(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    isBusy = true;
    says = '';
    try {
      await session.signIn({ username, password, code, is_trusted: isTrusted });
      const last = session.me?.opens === 'last_job' && window.location.pathname === '/' ? lastJob() : null;
      if (last) await openJob(last, 'brief', undefined, true);
    } catch (error) {
      says = error instanceof Refusal ? error.message : 'Something went wrong. Try again.';
      wantsCode = error instanceof Refusal && error.fields.some(({ field }) => field === 'code');
    } finally {
      isBusy = false;
    }
  }
</script>

<main class="grid min-h-dvh bg-dye md:grid-cols-[1fr_26rem]">
  <div class="relative hidden overflow-hidden md:block" aria-hidden="true">
    <svg viewBox="0 0 800 800" class="absolute inset-0 h-full w-full" preserveAspectRatio="xMidYMid slice">
      <g fill="none" class="stroke-scribe-dim" stroke-width="1.2">
        <path d="M0 400H800M400 0V800" stroke-dasharray="26 6 4 6" class="stroke-dye-grid" />
        <circle cx="400" cy="400" r="86" class="stroke-scribe" />
        <circle cx="400" cy="400" r="176" stroke-dasharray="7 6" class="stroke-brass-lit" />
        <path
          d="M664 330 L650 560 L470 672 L250 640 L130 470 L150 260 L330 128 L560 150 Z"
          class="stroke-scribe"
        />
        {#each [[640, 342], [628, 548], [466, 646], [262, 616], [156, 464], [176, 272], [338, 154], [548, 174]] as [x, y] (x)}
          <circle cx={x} cy={y} r="13" class="stroke-scribe" />
          <path d="M{(x ?? 0) - 20} {y}h40M{x} {(y ?? 0) - 20}v40" class="stroke-dye-grid" />
        {/each}
        {#each [15, 75, 135, 195, 255, 315] as deg (deg)}
          <circle cx="576" cy="400" r="10" transform="rotate({deg} 400 400)" class="stroke-brass-lit" />
        {/each}
      </g>
    </svg>
  </div>
  <form class="flex flex-col justify-center gap-5 bg-paper px-10 py-12" onsubmit={submit}>
    <div>
      <h1 class="text-3xl">Fernback</h1>
      <p class="mt-1 text-ink-dim">From the motor's shaft to the tyre, one calculated line.</p>
    </div>
    <div>
      <label for="{uid}-name" class="text-ink-dim">Name</label>
      <input
        id="{uid}-name"
        class="field-line text-lg"
        autocomplete="username"
        required
        bind:value={username}
      />
    </div>
    <div>
      <label for="{uid}-password" class="text-ink-dim">Password</label>
      <input
        id="{uid}-password"
        class="field-line text-lg"
        type="password"
        autocomplete="current-password"
        required
        bind:value={password}
      />
    </div>
    {#if wantsCode}
      <div>
        <label for="{uid}-code" class="text-ink-dim">Six digits of your authenticator, or a spare code</label>
        <!-- svelte-ignore a11y_autofocus -->
        <input
          id="{uid}-code"
          class="field-line figures text-lg"
          autocomplete="one-time-code"
          autofocus
          required
          bind:value={code}
        />
      </div>
    {/if}
    <label class="flex min-h-6 items-center gap-2 text-ink-dim">
      <input type="checkbox" class="accent-brass" bind:checked={isTrusted} />
      My own device: stay signed in for 30 days, else for 12 hours
    </label>
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <button
      class="self-start rounded-sm bg-ink px-5 py-2 text-paper hover:bg-brass disabled:bg-ink-dim"
      disabled={isBusy}>{isBusy ? 'Signing in…' : 'Sign in'}</button
    >
  </form>
</main>
