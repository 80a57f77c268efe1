export { ProbeCapture as default } from './ProbeCapture'
