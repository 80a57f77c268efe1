export { WormsCapture as default } from './WormsCapture'
