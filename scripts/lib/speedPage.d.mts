export function placesIn(text: string): string[];
export function withTable(text: string, name: string, table: string): string;
