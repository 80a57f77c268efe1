export { ClodsCapture as default } from './ClodsCapture'
