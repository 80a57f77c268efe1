export { CrumbsCapture as default } from './CrumbsCapture'
