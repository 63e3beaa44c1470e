/** How many rows of a table in a file are new, the same and different from what is here. */
export interface RowCounts {
  fresh: number;
  same: number;
  differs: number;
}

/** A row that is here and is another in the file, column by column. */
export interface RowDifference {
  table: string;
  key: string;
  columns: { name: string; here: unknown; file: unknown }[];
}

/** What would become of a file on its way in. */
export interface ImportPreview {
  studio: string;
  exportedAt: string;
  clients: { fresh: string[]; known: string[] };
  tables: Record<string, RowCounts>;
  pictures: { fresh: number; known: number };
  differences: RowDifference[];
  /** More than are shown. */
  moreDifferences: number;
}

interface StudioCounts {
  clients: number;
  visits: number;
  /** The day of the newest visit. */
  newest: string | null;
}

/** How a copy stands to the studio that is here. */
export interface CopyCompared {
  here: StudioCounts;
  copy: StudioCounts;
  /** Names of those who are only here, and would be gone, and of those who are only in the copy. */
  onlyHere: string[];
  onlyCopy: string[];
}
