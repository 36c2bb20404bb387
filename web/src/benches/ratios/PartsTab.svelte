<script lang="ts">
  import type { BriefSheet, Gearbox, RatiosSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import BoxList from './BoxList.svelte';
  import { newGearbox } from './boxes';
  import Ratings from './Ratings.svelte';
  import SplitFields from './SplitFields.svelte';
  import TyreOptions from './TyreOptions.svelte';

  interface Props {
    sheet: RatiosSheet;
    layout: BriefSheet['layout'];
    isBothDriven: boolean;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, layout, isBothDriven, disabled, change }: Props = $props();
  const isUnit = $derived(layout === 'axle_unit' || layout === 'centre_unit' || layout === 'two_units');
  const hasFinals = $derived(layout !== 'axle_unit' && layout !== 'two_units');
  const withGearbox = (write: (gearbox: Gearbox) => void) =>
    change((next) => {
      next.gearbox ??= newGearbox();
      write(next.gearbox);
    });
</script>

<div class="grid gap-x-8 gap-y-6 px-4 py-3 xl:grid-cols-[1fr_20rem]">
  <div class="flex min-w-0 flex-col gap-6 overflow-x-auto">
    <BoxList
      title={layout === 'two_units'
        ? "The rear unit's own reduction"
        : isUnit
          ? "The unit's own reduction"
          : 'Reduction boxes'}
      kind={isUnit ? 'drive_unit' : 'reduction'}
      noun={isUnit ? 'a unit' : 'a reduction'}
      hint={isUnit
        ? 'Its built-in ratio, from the data sheet or by turning the input and counting.'
        : 'None: the motor drives straight on.'}
      boxes={sheet.reductions}
      asks={{ reverses: true, settings: true, mass: layout === 'kept_gearbox' }}
      {disabled}
      onchange={(boxes) => change((next) => (next.reductions = boxes))}
    />
    {#if layout === 'two_units'}
      <BoxList
        title="The front unit's own reduction"
        kind="drive_unit"
        noun="a front unit"
        hint="None listed: the front unit is geared like the rear one."
        boxes={sheet.front_reductions}
        {disabled}
        onchange={(boxes) => change((next) => (next.front_reductions = boxes))}
      />
    {/if}
    {#if layout === 'kept_gearbox'}
      <BoxList
        title="Gears of the kept gearbox"
        noun="a gear"
        hint="Turn the input, count output turns in each gear: input over output."
        boxes={sheet.gearbox?.gears ?? []}
        {disabled}
        onchange={(boxes) => withGearbox((gearbox) => (gearbox.gears = boxes))}
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
    {#if hasFinals}
      <BoxList
        title={isBothDriven ? 'Final drives, the same at both axles' : 'Final drives'}
        kind="final_drive"
        noun="a final drive"
        hint="Count teeth: crown wheel over pinion, such as 37/9."
        boxes={sheet.final_drives}
        asks={{ coast: true }}
        {disabled}
        onchange={(boxes) => change((next) => (next.final_drives = boxes))}
      />
      {#if isBothDriven}
        <BoxList
          title="Front final drives, where they are others"
          kind="final_drive"
          noun="a front final drive"
          hint="None listed: the front axle has the rear one's."
          boxes={sheet.front_final_drives}
          {disabled}
          onchange={(boxes) => change((next) => (next.front_final_drives = boxes))}
        />
      {/if}
    {/if}
    <TyreOptions
      tyres={sheet.tyres}
      {disabled}
      onchange={(tyres) => change((next) => (next.tyres = tyres))}
    />
  </div>
  <div class="flex flex-col gap-6">
    <Ratings {sheet} {layout} {isBothDriven} {disabled} {change} {withGearbox} />
    {#if isBothDriven && layout !== 'two_units'}<SplitFields {sheet} {disabled} {change} />{/if}
  </div>
</div>
