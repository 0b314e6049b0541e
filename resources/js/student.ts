import './style/student.css'
import { createApp } from 'vue'
import Student from './screens/Student.vue'

createApp(Student).mount('#app')
