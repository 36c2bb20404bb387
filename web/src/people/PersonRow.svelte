<script lang="ts">
  import type { PersonLine, Role } from '../api/types';
  import { dayTime } from '../lib/format';
  import { ROLES } from './roles';

  interface Props {
    person: PersonLine;
    isMe: boolean;
    ongive: (role: Role) => Promise<void>;
    onremove: () => void;
  }
  let { person, isMe, ongive, onremove }: Props = $props();
  let isSure = $state(false);
  /** What was refused does not stay chosen. */
  async function give(select: HTMLSelectElement): Promise<void> {
    await ongive(select.value as Role);
    select.value = person.role;
  }
  const LINK = 'min-h-6 px-1 text-[13px] text-brass underline underline-offset-2';
</script>

<li
  class="grid grid-cols-[1fr_auto] items-center gap-x-5 gap-y-1 border-b border-edge py-2.5 md:grid-cols-[14rem_9rem_1fr_auto]"
>
  <span>
    <span class="font-semibold">{person.name}</span>
    {#if isMe}<span class="text-ink-dim">(you)</span>{/if}
    {#if person.name !== person.username}<span class="block text-[13px] text-ink-dim">{person.username}</span
      >{/if}
  </span>
  <select
    class="field-line"
    aria-label="What {person.name} may do"
    value={person.role}
    onchange={(event) => void give(event.currentTarget)}
  >
    {#each ROLES as { role, may } (role)}<option value={role} title={may}>{role}</option>{/each}
  </select>
  <span class="text-[13px] text-ink-dim">
    {ROLES.find(({ role }) => role === person.role)?.may}; {person.last_seen_at
      ? `last here ${dayTime(person.last_seen_at)}`
      : 'not here yet'}
  </span>
  <span class="flex gap-1 justify-self-end">
    {#if isSure}
      <button class={LINK} onclick={onremove}>take {person.name} out</button>
      <button class={LINK} onclick={() => (isSure = false)}>no</button>
    {:else}
      <button class={LINK} aria-label="Take out {person.name}" onclick={() => (isSure = true)}
        >take out…</button
      >
    {/if}
  </span>
</li>
