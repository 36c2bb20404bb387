<script lang="ts">
  interface Props {
    person: { username: string; name: string; password: string };
    fieldSays: Record<string, string>;
  }
  let { person, fieldSays }: Props = $props();
  const uid = $props.id();
  const FIELDS = [
    { key: 'name', label: 'Your name, as it stands on drawings', type: 'text', autocomplete: 'name' },
    { key: 'username', label: 'The name you sign in with', type: 'text', autocomplete: 'username' },
    {
      key: 'password',
      label: 'A password, ten letters or more',
      type: 'password',
      autocomplete: 'new-password',
    },
  ] as const;
</script>

{#each FIELDS as { key, label, type, autocomplete } (key)}
  <div>
    <label for="{uid}-{key}" class="text-ink-dim">{label}</label>
    <input
      id="{uid}-{key}"
      class="field-line text-lg"
      {type}
      {autocomplete}
      required
      maxlength="150"
      minlength={key === 'password' ? 10 : undefined}
      aria-invalid={fieldSays[key] !== undefined}
      bind:value={person[key]}
    />
    {#if fieldSays[key]}<p role="alert" class="text-fails">▲ {fieldSays[key]}</p>{/if}
  </div>
{/each}
