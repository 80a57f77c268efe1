export { SaltCapture as default } from './SaltCapture'
