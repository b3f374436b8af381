/** Hash of the contract and the record that the pages were built with. */
declare const __CONTRACT__: string;
