export declare const chromiums: string[];
