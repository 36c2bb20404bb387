<script lang="ts">
  import type { BriefSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import Fields from '../../measure/Fields.svelte';
  import MoreFields from '../../measure/MoreFields.svelte';
  import {
    MOTOR_FIRST,
    TYRES_FIRST,
    TYRES_MORE,
    VEHICLE_FIRST,
    VEHICLE_MORE,
    WANTED_FIRST,
    WANTED_MORE,
  } from './fields';

  interface Props {
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (brief: BriefSheet) => void) => void;
  }
  let { brief, disabled, change }: Props = $props();
</script>

<div class="flex flex-col gap-4">
  <section>
    <h2>What it must do</h2>
    <Fields form={WANTED_FIRST} from={brief} {disabled} {change} />
    <MoreFields form={WANTED_MORE} from={brief} {disabled} {change} />
  </section>
  <section data-group="motor">
    <h2>Donor motor</h2>
    <Fields form={MOTOR_FIRST} from={brief} {disabled} {change} />
    <p class="py-1 text-[13px] text-ink-dim">The rest of it is under Motor.</p>
  </section>
  <section data-group="tyre">
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
    <Fields form={TYRES_FIRST} from={brief} {disabled} {change} />
    <MoreFields form={TYRES_MORE} from={brief} {disabled} {change} />
  </section>
  <section>
    <h2>Vehicle</h2>
    <Fields form={VEHICLE_FIRST} from={brief} {disabled} {change} />
    <MoreFields form={VEHICLE_MORE} from={brief} {disabled} {change} />
  </section>
</div>
