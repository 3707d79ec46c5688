import { SelectField, TextField } from '../../ui/Field';
import type { Schemas } from '../../api/client';

export type Settings = Schemas['StudioSettings'];

/** What suits where this device is. */
export function localSettings(): Settings {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return { units: 'metric', first_day: 'mon', date_format: 'device', time_format: 'device', time_zone: zone };
}

const zones = Intl.supportedValuesOf('timeZone');

/** How a studio writes amounts, days and times. */
export function SettingsFields({
  settings,
  onChange,
  zoneError,
}: {
  settings: Settings;
  onChange: (settings: Settings) => void;
  zoneError: string | undefined;
}) {
  const set = (part: Partial<Settings>) => {
    onChange({ ...settings, ...part });
  };
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <SelectField
        label="Loads and lengths"
        value={settings.units}
        options={[
          ['metric', 'kg, cm, m'],
          ['imperial', 'lb, in, ft'],
        ]}
        onChange={(units) => {
          set({ units: units as Settings['units'] });
        }}
      />
      <SelectField
        label="The week begins on"
        value={settings.first_day}
        options={[
          ['mon', 'Monday'],
          ['sun', 'Sunday'],
          ['sat', 'Saturday'],
        ]}
        onChange={(day) => {
          set({ first_day: day as Settings['first_day'] });
        }}
      />
      <SelectField
        label="Dates"
        value={settings.date_format}
        options={[
          ['device', 'As on the device'],
          ['dmy', '27 Nov 2026'],
          ['mdy', 'Nov 27, 2026'],
          ['ymd', '2026-11-27'],
        ]}
        onChange={(format) => {
          set({ date_format: format as Settings['date_format'] });
        }}
      />
      <SelectField
        label="Times of day"
        value={settings.time_format}
        options={[
          ['device', 'As on the device'],
          ['24h', '17:30'],
          ['12h', '5:30 PM'],
        ]}
        onChange={(format) => {
          set({ time_format: format as Settings['time_format'] });
        }}
      />
      <TextField
        label="Time zone"
        name="zone"
        list={zones}
        value={settings.time_zone}
        onChange={(time_zone) => {
          set({ time_zone });
        }}
        error={zoneError}
      />
      <TextField
        label="Whom clients call, name and number"
        name="contact"
        maxLength={200}
        value={settings.contact ?? ''}
        onChange={(contact) => {
          set({ contact });
        }}
      />
    </div>
  );
}
