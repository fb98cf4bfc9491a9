import 'katex/dist/katex.min.css';

// Whoever shows a formula needs its faces and measures too; they come with the script that sets it.
export { typeset } from './typeset';
