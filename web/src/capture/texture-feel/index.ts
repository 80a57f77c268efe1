export { FeelCapture as default } from './FeelCapture'
