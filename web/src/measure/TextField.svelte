<script lang="ts">
  interface Props {
    label: string;
    name?: string; // the last word of the field's path, to find it by
    value: string | null | undefined;
    onchange: (value: string) => void;
    disabled?: boolean;
    long?: boolean;
    most?: number; // characters
  }
  let { label, name, value, onchange, disabled = false, long = false, most = 80 }: Props = $props();
  const uid = $props.id();
</script>

{#if long}
  <label for="{uid}-text" class="font-semibold">{label}</label>
  <textarea
    id="{uid}-text"
    data-field={name}
    class="mt-1 field-line"
    rows="2"
    maxlength={most}
    {disabled}
    value={value ?? ''}
    onchange={(event) => onchange(event.currentTarget.value)}></textarea>
{:else}
  <div class="grid grid-cols-[minmax(0,1fr)_var(--field-width,9.5rem)] items-baseline gap-x-3">
    <label for="{uid}-text" class="py-1">{label}</label>
    <input
      id="{uid}-text"
      data-field={name}
      class="field-line text-right"
      maxlength={most}
      autocomplete="off"
      {disabled}
      value={value ?? ''}
      onchange={(event) => onchange(event.currentTarget.value)}
    />
  </div>
{/if}
