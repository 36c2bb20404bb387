<script lang="ts" generics="T extends object">
  import type { Form } from './fields';
  import Fields from './Fields.svelte';

  interface Props {
    form: Form<T>;
    from: T;
    disabled: boolean;
    change: (write: (to: T) => void) => void;
  }
  let { form, from, disabled, change }: Props = $props();
  const asked = $derived(form.filter((spec) => spec.when === undefined || spec.when(from)));
  const filled = $derived(
    asked.filter((spec) => ![null, undefined, ''].includes(spec.read(from) as '')).length,
  );
</script>

{#if asked.length > 0}
  <details class="text-[13px] open:text-[length:inherit]">
    <summary class="min-h-6 cursor-pointer py-1 text-[13px] text-brass">
      {asked.length} more{filled > 0 ? `, ${filled === asked.length ? 'all' : filled} filled` : ''}
    </summary>
    <Fields {form} {from} {disabled} {change} />
  </details>
{/if}
