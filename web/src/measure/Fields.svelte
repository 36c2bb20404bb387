<script lang="ts" generics="T extends object">
  import ChoiceField from './ChoiceField.svelte';
  import type { Form } from './fields';
  import NumberField from './NumberField.svelte';
  import ReadingField from './ReadingField.svelte';
  import TextField from './TextField.svelte';

  interface Props {
    form: Form<T>;
    from: T;
    disabled: boolean;
    change: (write: (to: T) => void) => void;
  }
  let { form, from, disabled, change }: Props = $props();
</script>

{#each form as spec (spec.label)}
  {#if spec.when === undefined || spec.when(from)}
    {@const { label, hint, name } = spec}
    {#if spec.kind === 'reading'}
      <ReadingField
        {label}
        {name}
        {hint}
        {disabled}
        quantity={spec.quantity}
        value={spec.read(from)}
        onchange={(value) => change((to) => spec.write(to, value))}
      />
    {:else if spec.kind === 'number'}
      <NumberField
        {label}
        {name}
        {hint}
        {disabled}
        least={spec.least}
        greatest={spec.greatest}
        unit={spec.unit}
        value={spec.read(from)}
        onchange={(value) => change((to) => spec.write(to, value))}
      />
    {:else if spec.kind === 'choice'}
      <ChoiceField
        {label}
        {name}
        {disabled}
        none={spec.none}
        options={spec.options(from)}
        value={spec.read(from)}
        onchange={(value) => change((to) => spec.write(to, value))}
      />
    {:else}
      <TextField
        {label}
        {name}
        {disabled}
        long={spec.long}
        most={spec.most}
        value={spec.read(from)}
        onchange={(value) => change((to) => spec.write(to, value))}
      />
    {/if}
  {/if}
{/each}
