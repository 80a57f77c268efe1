// a few figures each: the form from the catalogue
export { FormCapture as default } from '../../forms/FormCapture'
