// What a tree is kept for.
export const purposes = ['picked fruit', 'wildlife', 'show', 'graft wood', 'small tree'] as const;
