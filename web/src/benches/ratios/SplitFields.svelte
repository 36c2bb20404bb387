<script lang="ts">
  import type { RatiosSheet } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';

  interface Props {
    sheet: RatiosSheet;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, disabled, change }: Props = $props();
  const KINDS = [
    ['open', 'open differential'],
    ['limited_slip', 'limited slip'],
    ['locked', 'locked'],
  ] as const;
  const HUBS = [
    ['engaged', 'engaged, or none'],
    ['free', 'freewheeling'],
  ] as const;
</script>

<section>
  <h3>Between front and rear</h3>
  <ChoiceField
    label="Centre"
    value={sheet.split.kind}
    options={KINDS}
    {disabled}
    onchange={(value) => change((next) => (next.split.kind = value))}
  />
  {#if sheet.split.kind !== 'locked'}
    <NumberField
      label="Front share of the torque"
      value={sheet.split.front_share}
      least={0.05}
      greatest={0.95}
      hint="a bevel one halves: 0.5"
      {disabled}
      onchange={(value) => change((next) => (next.split.front_share = value))}
    />
  {/if}
  {#if sheet.split.kind === 'limited_slip'}
    <NumberField
      label="Bias ratio"
      value={sheet.split.bias_ratio}
      least={1}
      greatest={20}
      hint="most torque one side over the other"
      {disabled}
      onchange={(value) => change((next) => (next.split.bias_ratio = value))}
    />
  {/if}
  <ChoiceField
    label="Front hubs"
    value={sheet.split.front_hubs_free ? 'free' : 'engaged'}
    options={HUBS}
    {disabled}
    onchange={(value) => change((next) => (next.split.front_hubs_free = value === 'free'))}
  />
</section>
