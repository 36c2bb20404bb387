<script lang="ts">
  import type { BriefSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { TYRES, VEHICLE, WANTED } from './fields';

  interface Props {
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (brief: BriefSheet) => void) => void;
  }
  let { brief, disabled, change }: Props = $props();
</script>

<div class="flex flex-col gap-5">
  <section>
    <h2>What it must do</h2>
    <Fields form={WANTED} from={brief} {disabled} {change} />
  </section>
  <section>
    <h2>Vehicle</h2>
    <Fields
      form={VEHICLE}
      from={brief.vehicle}
      {disabled}
      change={(write) => change((next) => write(next.vehicle))}
    />
  </section>
  <section>
    <h2 class="flex items-baseline justify-between gap-2">
      Driven tyre
      <LibraryButton
        kind="tyre"
        held={brief.tyre.code ? brief.tyre : null}
        name={brief.tyre.code ?? ''}
        {disabled}
        ontake={(part) => change((next) => (next.tyre = part.content.tyre ?? next.tyre))}
      />
    </h2>
    <Fields form={TYRES} from={brief} {disabled} {change} />
  </section>
</div>
