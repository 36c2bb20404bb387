<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answered, client, doneOr } from '../api/client';
  import type { Link, PersonLine, Role } from '../api/types';
  import { Doing } from '../lib/doing.svelte';
  import Button from '../lib/ui/Button.svelte';
  import { p, route } from '../routes';
  import { useSession } from '../session/session.svelte';
  import AllJobs from './AllJobs.svelte';
  import DemoPart from './DemoPart.svelte';
  import EventList from './EventList.svelte';
  import LinkDialog from './LinkDialog.svelte';
  import LinksOut from './LinksOut.svelte';
  import PersonRow from './PersonRow.svelte';
  import { ROLES } from './roles';

  const session = useSession();
  const queryClient = useQueryClient();
  const id = $derived(Number((route.params as { id?: string }).id));
  const people = createQuery(() => ({
    queryKey: ['people', id],
    queryFn: () => answered(client.GET('/api/shops/{shop_id}', { params: { path: { shop_id: id } } })),
  }));
  let asked = $state<Role>('fabricator');
  let link = $state.raw<Link | null>(null);
  const asking = new Doing();

  async function doing(act: () => Promise<void>): Promise<void> {
    await asking.run(act);
    await session.refresh(); // it may have been one's own place
    await queryClient.invalidateQueries({ queryKey: ['people', id] });
    await queryClient.invalidateQueries({ queryKey: ['events', id] });
  }
  const invite = () =>
    doing(async () => {
      const params = { path: { shop_id: id } };
      const body = { role: asked };
      link = await answered(client.POST('/api/shops/{shop_id}/invitations', { params, body }));
    });
  const rename = (name: string) =>
    doing(() =>
      doneOr(client.PATCH('/api/shops/{shop_id}', { params: { path: { shop_id: id } }, body: { name } })),
    );
  const withdraw = (invitation_id: number) =>
    doing(() =>
      doneOr(
        client.DELETE('/api/shops/{shop_id}/invitations/{invitation_id}', {
          params: { path: { shop_id: id, invitation_id } },
        }),
      ),
    );
  const give = (person: PersonLine, role: Role) =>
    doing(() =>
      doneOr(
        client.PATCH('/api/shops/{shop_id}/people/{user_id}', {
          params: { path: { shop_id: id, user_id: person.id } },
          body: { role },
        }),
      ),
    );
  const remove = (person: PersonLine) =>
    doing(() =>
      doneOr(
        client.DELETE('/api/shops/{shop_id}/people/{user_id}', {
          params: { path: { shop_id: id, user_id: person.id } },
        }),
      ),
    );
</script>

<svelte:head><title>{people.data?.shop ?? 'The shop'}: its people</title></svelte:head>
<header class="flex items-center gap-4 border-b border-edge px-5 py-2.5">
  <a href={p('/')} class="text-lg font-bold hover:text-brass" aria-label="Fernback: all jobs">Fernback</a>
  <span class="text-ink-dim">{people.data?.shop}</span>
</header>
<main class="mx-auto max-w-4xl px-5 py-8">
  {#if people.isPending}<p role="status" class="text-ink-dim">Fetching the people…</p>
  {:else if people.isError}<p role="alert" class="text-fails">▲ {people.error.message}</p>
  {:else}
    <label class="mb-4 flex flex-wrap items-baseline gap-3">
      <h1 class="text-2xl">People of</h1>
      <input
        class="field-line w-80 text-2xl"
        aria-label="What the shop is called"
        maxlength="80"
        value={people.data.shop}
        onchange={(event) => void rename(event.currentTarget.value)}
      />
    </label>
    {#if asking.says}<p role="alert" class="mb-2 text-fails">▲ {asking.says}</p>{/if}
    <ul class="border-t border-edge" aria-label="People of the shop">
      {#each people.data.people as person (person.id)}
        <PersonRow
          {person}
          isMe={person.username === session.me?.username}
          ongive={(role) => give(person, role)}
          onremove={() => void remove(person)}
        />
      {/each}
    </ul>
    <div class="mt-4 flex flex-wrap items-center gap-3">
      <label class="flex items-center gap-2">
        <span class="text-ink-dim">Ask somebody in as</span>
        <select class="field-line w-auto" bind:value={asked}>
          {#each ROLES as { role, word } (role)}<option value={role}>{word}</option>{/each}
        </select>
      </label>
      <Button strong onclick={() => void invite()}>Make a link</Button>
    </div>
    <LinksOut links={people.data.invitations} onwithdraw={(one) => void withdraw(one)} />
    <AllJobs shopId={id} />
    <DemoPart />
    <EventList shopId={id} />
  {/if}
</main>
{#if link}<LinkDialog {link} onclose={() => (link = null)} />{/if}
