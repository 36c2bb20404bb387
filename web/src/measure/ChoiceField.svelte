<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    name?: string; // the last word of the field's path, to find it by
    value: T | null | undefined;
    options: readonly (readonly [T, string])[];
    none?: string; // offered while nothing is chosen
    onchange: (value: T) => void;
    disabled?: boolean;
  }
  let { label, name, value, options, none = '', onchange, disabled = false }: Props = $props();
  const uid = $props.id();

  function chosen(word: string): void {
    const option = options.find(([key]) => key === word);
    if (option) onchange(option[0]);
  }
</script>

<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3">
  <label for="{uid}-select" class="py-1">{label}</label>
  <select
    id="{uid}-select"
    data-field={name}
    class="field-line max-w-[13rem] text-right"
    {disabled}
    value={value ?? ''}
    onchange={(event) => chosen(event.currentTarget.value)}
  >
    {#if none && !value}<option value="">{none}</option>{/if}
    {#each options as [key, title] (key)}<option value={key}>{title}</option>{/each}
  </select>
</div>
