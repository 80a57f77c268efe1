export { PhCapture as default } from './PhCapture'
