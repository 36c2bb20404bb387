<script lang="ts">
  import type { BriefSheet, Gearbox, RatiosSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import { layoutHas } from '../../measure/layouts';
  import Bears from './Bears.svelte';
  import BoxList from './BoxList.svelte';
  import { newGearbox } from './boxes';
  import FinalDrives from './FinalDrives.svelte';
  import TyreOptions from './TyreOptions.svelte';

  interface Props {
    sheet: RatiosSheet;
    layout: BriefSheet['layout'];
    isBothDriven: boolean;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, layout, isBothDriven, disabled, change }: Props = $props();
  const has = $derived(layoutHas(layout));
  const withGearbox = (write: (gearbox: Gearbox) => void) =>
    change((next) => {
      next.gearbox ??= newGearbox();
      write(next.gearbox);
    });
</script>

<div class="grid gap-x-8 gap-y-6 px-4 py-3 xl:grid-cols-[1fr_20rem]">
  <div class="flex min-w-0 flex-col gap-6 overflow-x-auto">
    <BoxList
      field="reductions"
      title={layout === 'two_units'
        ? "The rear unit's own reduction"
        : has.unit
          ? "The unit's own reduction"
          : 'Reduction boxes'}
      kind={has.unit ? 'drive_unit' : 'reduction'}
      noun={has.unit ? 'a unit' : 'a reduction'}
      hint={has.unit
        ? 'Its built-in ratio, from the data sheet or by turning the input and counting.'
        : 'None: the motor drives straight on.'}
      boxes={sheet.reductions}
      asks={{ reverses: true, settings: true, mass: has.kept_box }}
      {disabled}
      change={(write) => change((next) => write(next.reductions))}
    />
    {#if layout === 'two_units'}
      <BoxList
        title="The front unit's own reduction"
        kind="drive_unit"
        noun="a front unit"
        hint="None listed: the front unit is geared like the rear one."
        boxes={sheet.front_reductions}
        {disabled}
        change={(write) => change((next) => write(next.front_reductions))}
      />
    {/if}
    {#if has.kept_box}
      <BoxList
        field="gears"
        title={layout === 'kept_gearbox' ? 'Gears of the kept gearbox' : 'Gears of the kept transaxle'}
        noun="a gear"
        hint="Turn the input, count output turns in each gear: input over output."
        boxes={sheet.gearbox?.gears ?? []}
        {disabled}
        change={(write) => withGearbox((gearbox) => write(gearbox.gears))}
      >
        {#snippet aside()}
          <LibraryButton
            kind="gearbox"
            held={sheet.gearbox?.gears.length ? sheet.gearbox : null}
            {disabled}
            ontake={(part) => change((next) => (next.gearbox = part.content.gearbox ?? next.gearbox))}
          />
        {/snippet}
      </BoxList>
    {/if}
    {#if has.propshaft}
      <BoxList
        field="ranges"
        title="Ranges of the transfer box"
        noun="a range"
        hint="None: there is no transfer box. Turn its input, count output turns in high and in low."
        boxes={sheet.transfer.ranges}
        {disabled}
        change={(write) => change((next) => write(next.transfer.ranges))}
      />
    {/if}
    {#if has.final_drive}<FinalDrives {sheet} {isBothDriven} {disabled} {change} />{/if}
    <TyreOptions tyres={sheet.tyres} {disabled} onchange={(all) => change((next) => (next.tyres = all))} />
  </div>
  <Bears {sheet} {layout} {isBothDriven} {disabled} {change} />
</div>
