import { createRouter, createWebHistory } from 'vue-router'
import { askEarly } from './server/useRail'
import ClientsBook from './views/ClientsBook.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'book', component: ClientsBook, meta: { title: "Clients' book" } },
    {
      path: '/clients/:client',
      children: [
        {
          path: 'colouring',
          name: 'colouring',
          component: () => import('./views/ColouringView.vue'),
          meta: { title: 'Colouring' },
        },
        {
          path: 'about',
          name: 'about',
          component: () => import('./views/AboutView.vue'),
          meta: { title: 'About the client' },
        },
        {
          path: 'hold/:trial?',
          name: 'hold',
          component: () => import('./views/HoldView.vue'),
          meta: { title: 'Hold to the face', bare: true },
        },
        {
          path: 'side-by-side',
          name: 'side-by-side',
          component: () => import('./views/SideBySideView.vue'),
          meta: { title: 'Side by side' },
        },
        {
          path: 'rail',
          name: 'rail',
          component: () => import('./views/RailView.vue'),
          meta: { title: 'Rail' },
          beforeEnter: (to) => askEarly(String(to.params.client)),
        },
        {
          path: 'make/:wall?',
          name: 'make',
          component: () => import('./views/MakeView.vue'),
          meta: { title: 'Make looks' },
        },
        { path: 'looks', name: 'looks', component: () => import('./views/LooksView.vue'), meta: { title: 'Looks' } },
        {
          path: 'plan/:part(days|worn|capsule)?/:id?',
          name: 'plan',
          component: () => import('./views/PlanView.vue'),
          meta: { title: 'Plan' },
        },
        {
          path: 'lookbook/:book?/:page?',
          name: 'lookbook',
          component: () => import('./views/LookbookView.vue'),
          meta: { title: 'Lookbook' },
        },
        {
          path: 'before-buying/:candidate?',
          name: 'before-buying',
          component: () => import('./views/BuyingView.vue'),
          meta: { title: 'Before buying' },
        },
        {
          path: 'intake',
          name: 'intake',
          component: () => import('./views/IntakeView.vue'),
          meta: { title: 'Intake' },
        },
        { path: '', redirect: { name: 'rail' } },
      ],
    },
    { path: '/studio', name: 'studio', component: () => import('./views/StudioView.vue'), meta: { title: 'Studio' } },
    { path: '/:rest(.*)*', redirect: { name: 'book' } },
  ],
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title)} · Lucid Swatch`
})
