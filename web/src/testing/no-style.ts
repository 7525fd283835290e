/** Stands for every style sheet in component tests. */
export default {};
