<script lang="ts">
  import type { BriefSheet, Gearbox, RatiosSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import Fields from '../../measure/Fields.svelte';
  import BoxList from './BoxList.svelte';
  import { newGearbox } from './boxes';
  import { hasFinal, hasKeptBox, hasShaft, isUnit, ratings, SPLIT, TRANSFER } from './fields';
  import TyreOptions from './TyreOptions.svelte';

  interface Props {
    sheet: RatiosSheet;
    layout: BriefSheet['layout'];
    isBothDriven: boolean;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, layout, isBothDriven, disabled, change }: Props = $props();
  const ofUnit = $derived(isUnit(layout));
  const hasFinals = $derived(hasFinal(layout));
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
        : ofUnit
          ? "The unit's own reduction"
          : 'Reduction boxes'}
      kind={ofUnit ? 'drive_unit' : 'reduction'}
      noun={ofUnit ? 'a unit' : 'a reduction'}
      hint={ofUnit
        ? 'Its built-in ratio, from the data sheet or by turning the input and counting.'
        : 'None: the motor drives straight on.'}
      boxes={sheet.reductions}
      asks={{ reverses: true, settings: true, mass: hasKeptBox(layout) }}
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
    {#if hasKeptBox(layout)}
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
    {#if hasShaft(layout)}
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
    {#if hasFinals}
      <BoxList
        field="final_drives"
        title={isBothDriven ? 'Final drives, the same at both axles' : 'Final drives'}
        kind="final_drive"
        noun="a final drive"
        hint="Count teeth: crown wheel over pinion, such as 37/9."
        boxes={sheet.final_drives}
        asks={{ coast: true }}
        {disabled}
        change={(write) => change((next) => write(next.final_drives))}
      />
      {#if isBothDriven}
        <BoxList
          title="Front final drives, where they are others"
          kind="final_drive"
          noun="a front final drive"
          hint="None listed: the front axle has the rear one's."
          boxes={sheet.front_final_drives}
          {disabled}
          change={(write) => change((next) => write(next.front_final_drives))}
        />
      {/if}
    {/if}
    <TyreOptions tyres={sheet.tyres} {disabled} onchange={(all) => change((next) => (next.tyres = all))} />
  </div>
  <div class="flex flex-col gap-6">
    <section>
      <h3>What each bears</h3>
      <Fields form={ratings(layout, isBothDriven)} from={sheet} {disabled} {change} />
    </section>
    {#if hasShaft(layout) && sheet.transfer.ranges.length > 0}
      <section data-part="transfer">
        <h3>The transfer box</h3>
        <Fields
          form={TRANSFER}
          from={sheet.transfer}
          {disabled}
          change={(write) => change((next) => write(next.transfer))}
        />
      </section>
    {/if}
    {#if isBothDriven && layout !== 'two_units'}
      <section>
        <h3>Between front and rear</h3>
        <Fields
          form={SPLIT}
          from={sheet.split}
          {disabled}
          change={(write) => change((next) => write(next.split))}
        />
      </section>
    {/if}
  </div>
</div>
