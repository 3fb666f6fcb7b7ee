import base from './playwright.config'
export default { ...base, timeout: 90_000, expect: { timeout: 8_000 }, reporter: [['line'],['junit',{outputFile:'/tmp/pw.xml'}]], use: { ...base.use, actionTimeout: 10_000 } }
