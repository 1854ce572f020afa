/** The least that would make a day work. */
export type HelpAct =
  | { readonly act: 'battery'; readonly name: string; readonly energyWh: number | undefined }
  | { readonly act: 'charger'; readonly name: string; readonly place: string | undefined }
  | {
      readonly act: 'dim';
      readonly devices: readonly string[];
      readonly rig: string;
      readonly scale: number;
      /** A clock time; all day when absent. */
      readonly after: string | undefined;
    };
