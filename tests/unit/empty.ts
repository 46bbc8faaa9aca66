const empty: Record<string, string> = {};
export default empty;
